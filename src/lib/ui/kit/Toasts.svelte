<script lang="ts">
	import { Toaster } from 'svelte-sonner';
</script>

<!-- What is said in passing, in the type and the lines of everything else. -->
<Toaster
	position="bottom-left"
	offset={{ bottom: '9.5rem', left: '1.75rem' }}
	mobileOffset={{ bottom: '9rem', left: '0.75rem', right: '0.75rem' }}
	duration={5000}
	style="font-family: var(--text)"
	toastOptions={{
		style:
			'font-size: var(--step-0); color: var(--ink); background: var(--paper); border: 1px solid var(--ink); border-radius: var(--corner); box-shadow: none;',
		actionButtonStyle:
			'font: inherit; height: auto; padding: 0.3rem 0.7rem; color: var(--ink); background: none; border: 1px solid var(--ink); border-radius: var(--corner);'
	}}
/>
