import { instantMs, type Entry, type Rig } from '../../logbook/index.js';
import { formatLitres, METRIC, type UnitChoice } from '../../units/index.js';
import type { Finding, FindingMend } from '../../findings/index.js';
import { sayDay, sayPast } from '../when.js';
import { sayKind } from '../log/entry.js';
import { sayDoubt } from './doubt.js';

const quoted = (value: number | string): string => (typeof value === 'string' ? `“${value}”` : String(value));

function sayMissing(
	finding: Extract<Finding, { kind: 'missing' }>,
	nowMs: number,
	zone: string,
	units: UnitChoice
): string {
	const { missing, name, likelyMs, stop, told, overdrawn } = finding;
	const about = missing.litres === undefined ? '' : `, about ${formatLitres(missing.litres, units)},`;
	const when = `${sayPast(likelyMs, nowMs, zone)}${stop ? ` at ${stop}` : ''}`;
	const between = `between ${sayPast(missing.afterMs, nowMs, zone)} and ${sayPast(missing.beforeMs, nowMs, zone)}`;
	if (told !== undefined)
		return `${told} changed as if ${name} was ${missing.kind === 'fill' ? 'filled' : 'dumped'}${about || ','} but no ${missing.kind} is logged: most likely ${when}. If there was none, the gauge is wrong; its reading is left out until that is clear.`;
	switch (missing.kind) {
		case 'fill':
			if (overdrawn)
				return `${formatLitres(overdrawn.writtenL, units)} was logged out of ${name}, and about ${formatLitres(overdrawn.heldL, units)} was in it: was it filled${overdrawn.carried ? ' or swapped' : ''}? Most likely ${when}.`;
			return `${name} gave more than was in it. A fill${about} seems to be missing from the log: most likely ${when}.`;
		case 'dump':
			return `${name} took more than it can hold. A dump${about} seems to be missing from the log: most likely ${when}.`;
		case 'leak':
			return `${formatLitres(missing.litres ?? 0, units)} left ${name} ${between} without passing its meter. Look for a leak, a dripping valve or low point before the meter, or water drawn straight from the tank.`;
		case 'not-arriving':
			return `${formatLitres(missing.litres ?? 0, units)} passed the meter ${between} and did not arrive in ${name}. Was it drunk or run on the ground, or is the valve not quite shut?`;
	}
}

const LOOK_FOR_A_LEAK =
	'Something drips or leaks. Shut all taps and listen: a pump that starts by itself confirms it. Check the taps, the toilet valve, the heater’s relief valve, low points and the pump.';

/** A finding in plain words. */
export function sayFinding(
	finding: Finding,
	nowMs: number,
	timeZone: string,
	units: UnitChoice = METRIC
): string {
	switch (finding.kind) {
		case 'failing': {
			const since = sayDay(instantMs(finding.since), nowMs, timeZone);
			const doubt = finding.doubts.at(-1);
			const last = doubt ? sayDoubt(doubt, units) : '';
			const many = finding.doubts.length;
			return `${finding.name} can’t be trusted: ${many === 1 ? 'its last reading does' : `${many} readings do`} not fit, since ${since}. It last showed ${quoted(finding.value)}. ${last} All its readings are left out. It may be stuck or dirty: look into the tank, clean it, or recalibrate it.`;
		}
		case 'doubted':
			return `${finding.name} showed ${quoted(finding.value)} ${sayDay(instantMs(finding.at), nowMs, timeZone)}. ${sayDoubt(finding.doubt, units)}`;
		case 'missing':
			return sayMissing(finding, nowMs, timeZone, units);
		case 'serves': {
			const times = finding.looks === 1 ? 'once' : `${finding.looks} times`;
			return `${finding.name} seems to have ${formatLitres(finding.servesL, units)} usable, not its rated ${formatLitres(finding.plateL, units)}: it was seen full ${times}, and what went in and out agrees.`;
		}
		case 'drip':
			return `${finding.name} changed by ${formatLitres(finding.litres, units)} between ${sayPast(finding.sinceMs, nowMs, timeZone)} and ${sayPast(finding.untilMs, nowMs, timeZone)}, with nobody aboard: ${formatLitres(finding.perDayL, units)} a day. ${LOOK_FOR_A_LEAK}`;
		case 'night-drip':
			return `About ${formatLitres(finding.perDayL, units)} a day goes while you sleep: ${finding.name} shows it over ${finding.nights} nights since ${sayDay(finding.sinceMs, nowMs, timeZone)}. ${LOOK_FOR_A_LEAK}`;
		case 'slip': {
			const when = sayPast(instantMs(finding.entry.at), nowMs, timeZone);
			if (finding.slip.kind === 'twice')
				return `The same ${sayKind(finding.entry)} is in the log twice within minutes, ${when}. Did you both log it?`;
			if (finding.slip.kind === 'tenfold') return sayTenfold(finding.entry, finding.slip.litres, when, units);
			const day = sayDay(instantMs(finding.entry.at), nowMs, timeZone);
			if (finding.slip.more !== undefined)
				return `${finding.slip.more + 1} entries are dated in the future, the first ${day}; they don’t count yet. Is this device’s clock right?`;
			return finding.slip.off === 'future'
				? `One entry (${sayKind(finding.entry)}) is dated in the future, ${day}; it doesn’t count yet. Was the clock wrong?`
				: `One entry (${sayKind(finding.entry)}) is dated long before all others, ${day}. Is the year wrong?`;
		}
	}
}

/** A figure with a digit too many or too few. */
function sayTenfold(entry: Entry, meantL: number, when: string, units: UnitChoice): string {
	const writtenL = ('litres' in entry ? entry.litres : undefined) ?? 0;
	const fits =
		writtenL > meantL
			? 'that is more than fits'
			: `that is too little for what was ${entry.kind === 'fill' ? 'missing' : 'in it'}`;
	return `${formatLitres(writtenL, units)} was logged ${when}; ${fits}. Did you mean ${formatLitres(meantL, units)}? It counts as that until you say.`;
}

/** What the tap that mends a finding is called. */
export function sayMend(
	rig: Rig,
	mend: FindingMend,
	nowMs: number,
	timeZone: string,
	units: UnitChoice = METRIC
): string {
	switch (mend.kind) {
		case 'trust':
			return 'Count it anyway';
		case 'serves':
			return `Use ${formatLitres(mend.litres, units)}`;
		case 'void':
			return 'Count it once';
		case 'insist':
			return mend.litres === undefined ? 'It was two' : `It was ${formatLitres(mend.litres, units)}`;
		case 'value':
			return `Make it ${mend.value}`;
		case 'litres':
			return `Make it ${formatLitres(mend.litres, units)}`;
		case 'move':
			return `Move it to ${sayDay(instantMs(mend.at), nowMs, timeZone)}`;
		case 'add': {
			const { draft } = mend;
			const name = 'tank' in draft ? (rig.tanks.find(({ id }) => id === draft.tank)?.name ?? '') : '';
			const amount =
				'litres' in draft && draft.litres !== undefined
					? ` of ${formatLitres(draft.litres, units)}`
					: draft.kind === 'fill'
						? ' to the brim'
						: '';
			return `Add the ${draft.kind}${draft.kind === 'dump' ? ` of ${name}` : amount}`;
		}
	}
}
