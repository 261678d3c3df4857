import type { Rig } from '../logbook/index.js';
import { tanksTouched } from '../rig/index.js';
import type { Finding } from './findings.js';

/** Whether a finding bears on a tank. */
export function bearsOn(finding: Finding, rig: Rig, tank: string): boolean {
	switch (finding.kind) {
		case 'failing':
		case 'doubted':
		case 'drip':
		case 'night-drip':
			return rig.instruments.some(({ id, tank: of }) => id === finding.instrument && of === tank);
		case 'missing':
		case 'serves':
			return finding.tank === tank;
		case 'slip':
			return tanksTouched(rig, finding.entry).includes(tank);
	}
}
