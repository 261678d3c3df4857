<script lang="ts">
	import { createElement, type IconNode } from 'lucide';

	interface Props {
		icon: IconNode;
		sizePx?: number;
	}
	/** An icon beside or in place of words that are there for who cannot see it. */
	const { icon, sizePx = 18 }: Props = $props();
</script>

<span
	aria-hidden="true"
	{@attach (place) => place.replaceChildren(createElement(icon, { width: sizePx, height: sizePx }))}
></span>

<style>
	span {
		display: inline-flex;
		vertical-align: middle;
	}
</style>
