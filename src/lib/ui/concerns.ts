import type { FoundWords } from '$core/assess';
import type { Rig } from '$core/logbook';

/** Whether a finding bears on a tank. */
export function concerns({ finding }: FoundWords, rig: Rig, tank: string): boolean {
	switch (finding.kind) {
		case 'failing':
		case 'doubted':
			return rig.instruments.some(({ id, tank: of }) => id === finding.instrument && of === tank);
		case 'missing':
			return finding.tank === tank;
		case 'slip':
			return 'tank' in finding.entry && finding.entry.tank === tank;
	}
}
