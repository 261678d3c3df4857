<script lang="ts">
	import type { FallbackPrice } from '$lib/engine';
	import { sayFallbackPrice } from '$core/words';

	interface Props {
		on: boolean;
		/** nothing while it is worked out */
		price: FallbackPrice | undefined;
		onchange: (on: boolean) => void;
	}
	/** Whether a trip is to survive one tap or drain that is shut, and what that costs. */
	const { on, price, onchange }: Props = $props();
</script>

<div class="fallback">
	<label class="check"
		><input type="checkbox" checked={on} onchange={(event) => onchange(event.currentTarget.checked)} />
		Work even if one tap or drain is shut</label
	>
	{#if price}<p class="soft small">{sayFallbackPrice(price.without, price.withIt)}</p>{/if}
</div>

<style>
	p {
		padding-left: 1.8rem;
	}
</style>
