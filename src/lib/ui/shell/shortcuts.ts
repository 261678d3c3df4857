/** The keys that work anywhere outside a field, and what they do. */
export const SHORTCUTS = [
	{ keys: '/', does: 'to the quick line' },
	{ keys: 'Escape', does: 'empty the quick line, or leave it' },
	{ keys: 'Tab', does: 'finish the word in the quick line' },
	{ keys: '↓ ↑', does: 'choose among what may be meant' },
	{ keys: 'U', does: 'undo' },
	{ keys: 'Shift U', does: 'do again' },
	{ keys: 'G N', does: 'Now' },
	{ keys: 'G T', does: 'Trip' },
	{ keys: 'G H', does: 'Habits' },
	{ keys: 'G L', does: 'Ledger' },
	{ keys: 'G R', does: 'Rig' },
	{ keys: 'G D', does: 'Data' },
	{ keys: '?', does: 'this list' }
] as const;
