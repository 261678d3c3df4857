/** The views in the bar, in the order in which the work is done. */
export const VIEWS = [
	{ path: '/', name: 'Now', key: 'n' },
	{ path: '/trip', name: 'Trip', key: 't' },
	{ path: '/habits', name: 'Habits', key: 'h' },
	{ path: '/ledger', name: 'Ledger', key: 'l' },
	{ path: '/rig', name: 'Rig', key: 'r' },
	{ path: '/data', name: 'Data', key: 'd' }
] as const;
