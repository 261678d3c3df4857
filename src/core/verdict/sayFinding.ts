import { instantMs } from '../logbook/index.js';
import type { Finding } from './findings.js';
import { sayDay } from './when.js';

/** A finding in plain words. */
export function sayFinding(finding: Finding, nowMs: number, timeZone: string): string {
	const value = typeof finding.value === 'string' ? `“${finding.value}”` : String(finding.value);
	if (finding.kind === 'failing') {
		const since = sayDay(instantMs(finding.since), nowMs, timeZone);
		const last = finding.doubts.at(-1)?.why ?? '';
		return `${finding.name}: ${finding.doubts.length} readings in a row do not fit, since ${since}. Last it showed ${value}. ${last} It may be stuck or dirty: look into the tank, clean it, or measure its curve anew.`;
	}
	return `${finding.name} showed ${value} ${sayDay(instantMs(finding.at), nowMs, timeZone)}. ${finding.doubt.why}`;
}
