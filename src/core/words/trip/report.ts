import { failedLast, lastReport, type Service } from '../../logbook/index.js';
import { utcMidnightMs } from '../../time/index.js';
import { sayAgo } from '../when.js';
import { SERVICE_NAMES } from './stop.js';

/** What people may find at a service, each with what is kept of it. */
export interface FoundAt {
	readonly says: string;
	readonly works: boolean;
	readonly note?: string;
}

const WORKS: FoundAt = { says: 'Works', works: true };
const SHUT_NOW: FoundAt = { says: 'Shut', works: false, note: 'shut' };

/** What one may find at a kind of service: a tap is dry, a drain is blocked. */
export const foundAt = (kind: Service['kind']): readonly FoundAt[] =>
	kind === 'water' || kind === 'mains'
		? [WORKS, SHUT_NOW, { says: 'Dry', works: false, note: 'dry' }]
		: [WORKS, SHUT_NOW, { says: 'Blocked', works: false, note: 'blocked' }];

/** What was last reported of a service, and since when: `tap: dry, reported on Monday; not counted on`; nothing where nobody has said anything. */
export function sayReport(service: Service, today: string): string | undefined {
	const last = lastReport(service, today);
	if (!last) return undefined;
	const ago = sayAgo(utcMidnightMs(last.day), utcMidnightMs(today), 'Etc/UTC');
	const when = ago === 'today' || ago === 'yesterday' ? ago : `on ${ago}`;
	const what = last.works ? 'worked' : (last.note ?? 'did not work');
	const counts = failedLast(service, today) ? '; plans don’t count on it' : '';
	return `${SERVICE_NAMES[service.kind]}: ${what}, reported ${when}${counts}`;
}
