import type { Showing } from '$core/listen';
import { instantMs, type Entry, type EntryOf, type Habit, type Meter, type Rig } from '$core/logbook';
import { seeded, type Random } from '$core/numerics';
import { litresPerUnit, passesMeter, usualTimesPerDay } from '$core/rig';
import { DAY_MS, HOUR_MS, MINUTE_MS, wallMs } from '$core/time';

/** A day that a simulated rig lives through: whose, by which meter, up to when. */
export interface SimulatedDay {
	readonly rig: Rig;
	readonly meter: Meter;
	/** entries of the rig: what was written of that day is lived, and what the meter was read at it shows */
	readonly entries: readonly Entry[];
	readonly toMs: number;
	readonly timeZone: string;
	readonly seed: number;
}

/** Water that runs at one tap: seconds of the day, litres. */
interface Open {
	readonly fromS: number;
	readonly forS: number;
	readonly litres: number;
}

const USUAL_LPM = 4.5;
/** Of what is done so much is written by nobody. */
const UNWRITTEN = 0.3;
/** Who washes their hands does not wait for the shower: so often two taps run at once. */
const TOGETHER = 0.4;
/** A tap that drips: litres an hour, from that hour of the day on. */
const DRIP = { litresPerHour: 0.4, fromHour: 9 };
/** What the display steps by, displayed units. */
const STEP = 0.01;
const MOST_DAY_S = DAY_MS / 1000;

/** One use of a habit: its openings, from a second of the day on. */
function openings(random: Random, rig: Rig, habit: Habit, fromS: number): readonly Open[] {
	const { mean, sd } = habit.litresEach;
	const litres = Math.max(0.15, mean + 0.6 * sd * random.normal());
	const known = habit.recipe?.flowLpm ?? rig.outlets.find(({ id }) => id === habit.outlet)?.flowLpm;
	// A tap that is shared is opened less far for little.
	const lpm = (known ?? USUAL_LPM) * (mean < 0.8 ? 0.75 : 1) * (1 + 0.06 * random.normal());
	const times = mean < 2 ? 1 : 2 + Math.floor(3 * random.uniform());
	const shares = Array.from({ length: times }, () => 0.5 + random.uniform());
	const all = shares.reduce((sum, one) => sum + one, 0);
	let at = fromS;
	return shares.map((share) => {
		const part = (litres * share) / all;
		const open = { fromS: at, forS: (60 * part) / lpm, litres: part };
		at += open.forS + 8 + 30 * random.uniform();
		return open;
	});
}

/** What is drawn in the day: what was written, a little before it was, and what nobody wrote. */
function drawn(day: SimulatedDay, fromMs: number, random: Random): readonly Open[] {
	const { rig, meter, entries, toMs, timeZone } = day;
	const passing = rig.habits.filter((habit) => {
		const outlet = rig.outlets.find(({ id }) => id === habit.outlet);
		return !habit.retired && outlet !== undefined && passesMeter(outlet, meter) && habit.litresEach.mean > 0;
	});
	const secondOf = (ms: number): number => Math.max(0, (ms - fromMs) / 1000);
	const written = entries.filter(
		(entry): entry is EntryOf<'use'> =>
			entry.kind === 'use' && !entry.void && instantMs(entry.at) > fromMs && instantMs(entry.at) <= toMs
	);
	const opens = written.flatMap((entry) => {
		const habit = passing.find(({ id }) => id === entry.habit);
		if (!habit) return [];
		return Array.from({ length: Math.min(6, Math.round(entry.times)) }, (_, i) =>
			openings(
				random,
				rig,
				habit,
				secondOf(instantMs(entry.at) - (2 + 3 * random.uniform()) * MINUTE_MS) + 400 * i
			)
		).flat();
	});
	const hourOf = (s: number): number => (wallMs(fromMs + 1000 * s, timeZone) % DAY_MS) / HOUR_MS;
	const isWaking = (s: number): boolean => hourOf(s) >= 7 && hourOf(s) < 22.5;
	for (const habit of passing) {
		const wanted = UNWRITTEN * usualTimesPerDay(habit, Math.max(1, rig.crew));
		for (let i = 0, tries = 0; i < Math.round(wanted) && tries < 50; tries++) {
			const at = random.uniform() * secondOf(toMs);
			if (!isWaking(at) || opens.some(({ fromS, forS }) => at > fromS - 300 && at < fromS + forS + 300))
				continue;
			opens.push(...openings(random, rig, habit, at));
			i++;
		}
	}
	const small = passing.find(({ litresEach }) => litresEach.mean < 0.8);
	const long = opens.filter(({ forS }) => forS > 25);
	if (small)
		for (const { fromS, forS } of long.slice(0, 4))
			if (random.uniform() < TOGETHER) opens.push(...openings(random, rig, small, fromS + 0.3 * forS));
	return opens;
}

/** Litres that ran in each second. */
function bySecond(opens: readonly Open[], lasts: number, random: Random): Float64Array {
	const seconds = new Float64Array(Math.ceil(lasts));
	for (const { fromS, forS, litres } of opens)
		for (let s = Math.floor(fromS); s < Math.min(fromS + forS, seconds.length); s++) {
			const share = Math.min(s + 1, fromS + forS) - Math.max(s, fromS);
			seconds[s] = (seconds[s] ?? 0) + ((litres * share) / forS) * (1 + 0.03 * random.normal());
		}
	for (let s = DRIP.fromHour * 3600; s < seconds.length; s++)
		seconds[s] = (seconds[s] ?? 0) + DRIP.litresPerHour / 3600;
	return seconds;
}

/** Where the log says that the meter was read, the day shows that: what ran between two readings is drawn out, or in, to fit. */
function fitted(
	seconds: Float64Array,
	read: readonly Showing[],
	fromMs: number,
	unitL: number
): Float64Array {
	const fits = seconds.slice();
	for (const [i, [toMs, to]] of read.entries()) {
		const [startMs, start] = read[i - 1] ?? [Number.NaN, Number.NaN];
		const [a, b] = [Math.round((startMs - fromMs) / 1000), Math.round((toMs - fromMs) / 1000)];
		if (!(b > a)) continue;
		const ran = seconds.subarray(a, b).reduce((sum, one) => sum + one, 0);
		const factor = ran > 0 ? Math.max(0, (Math.abs(to - start) * unitL) / ran) : 0;
		for (let s = a; s < b; s++) fits[s] = (fits[s] ?? 0) * factor;
	}
	return fits;
}

/** What a meter showed when it was read by hand, up to a moment; from the last time before the day on. */
function readings({ meter, entries, toMs }: SimulatedDay): readonly Showing[] {
	const read = entries.flatMap((entry): readonly Showing[] =>
		entry.kind === 'reading' &&
		entry.instrument === meter.id &&
		!entry.void &&
		typeof entry.value === 'number' &&
		instantMs(entry.at) <= toMs
			? [[instantMs(entry.at), entry.value]]
			: []
	);
	const before = read.filter(([ms]) => ms <= toMs - DAY_MS).at(-1);
	return [...(before ? [before] : []), ...read.filter(([ms]) => ms > toMs - DAY_MS)];
}

/**
 * What the meter of a simulated rig showed in the day up to a moment, second by second where it changed: its people as the rig and the
 * log have them, openings, two taps at once, a tap that drips.
 */
export function simulatedDay(day: SimulatedDay): readonly Showing[] {
	const { meter, toMs, seed } = day;
	const random = seeded(seed);
	const read = readings(day);
	const [first, shows] = read[0] ?? [toMs - DAY_MS, 100];
	// A reading of days ago is as far back as one goes.
	const fromMs = Math.max(first, toMs - 2 * DAY_MS);
	const lasts = Math.min((toMs - fromMs) / 1000, 2 * MOST_DAY_S);
	const unitL = litresPerUnit(meter);
	const seconds = fitted(bySecond(drawn(day, fromMs, random), lasts, random), read, fromMs, unitL);
	const showings: Showing[] = [[fromMs, shows]];
	let total = shows;
	for (const [s, litres] of seconds.entries()) {
		total += (litres / unitL) * (meter.counts === 'up' ? 1 : -1);
		const now = Math.max(0, Math.round(total / STEP) * STEP);
		const shown = Number(now.toFixed(2));
		if (shown !== showings.at(-1)?.[1]) showings.push([fromMs + 1000 * (s + 1), shown]);
	}
	return showings;
}
