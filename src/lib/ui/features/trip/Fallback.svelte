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
	<p class="soft small" aria-live="polite">
		{price ? sayFallbackPrice(price.without, price.withIt) : ''}
	</p>
</div>

<style>
	p {
		/* its place is kept until it is worked out */
		min-height: 1lh;
		padding-left: 1.8rem;
	}
</style>
