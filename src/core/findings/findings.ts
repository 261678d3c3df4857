import { DAY_MS, zonedIso } from '../time/index.js';
import {
	likelyMissedEntries,
	overdueEntries,
	usableOfTank,
	type Doubt,
	type Estimate,
	type Imbalance
} from '../estimate/index.js';
import {
	instantMs,
	type Entry,
	type EntryDraft,
	type EntryOf,
	type Tank,
	type Trip
} from '../logbook/index.js';
import { isCarried, usableOf } from '../rig/index.js';
import { dripsIn, type Drip } from './drips.js';
import { nightDripsIn, type NightDrip } from './nights.js';
import { slipsIn, type Slip } from './slips.js';

/** Something worth knowing that the readings or the balance gave away. */
export type Finding =
	| {
			readonly kind: 'failing';
			readonly instrument: string;
			readonly name: string;
			readonly value: number | string;
			readonly since: string;
			readonly doubts: readonly Doubt[];
	  }
	| {
			readonly kind: 'doubted';
			readonly instrument: string;
			readonly name: string;
			readonly value: number | string;
			readonly at: string;
			readonly doubt: Doubt;
	  }
	| ({ readonly kind: 'missing'; readonly tank: string; readonly name: string } & {
			readonly missing: Imbalance;
			/** when it most likely was: at a stop that offers it, else half-way */
			readonly likelyMs: number;
			readonly stop?: string;
			/** the instrument that tells of it, while nothing else does */
			readonly told?: string;
			/** more was written down out of it than it held, litres; and whether it is carried, so that another may have come in its place */
			readonly overdrawn?: { readonly writtenL: number; readonly heldL: number; readonly carried: boolean };
	  })
	/** the log has learned what a tank known by its plate really serves */
	| {
			readonly kind: 'serves';
			readonly tank: string;
			readonly name: string;
			readonly fresh: boolean;
			readonly plateL: number;
			readonly servesL: number;
			/** how often it was seen full */
			readonly looks: number;
	  }
	/** a meter went on while nobody was aboard */
	| ({ readonly kind: 'drip' } & Drip)
	/** water goes while everybody sleeps */
	| ({ readonly kind: 'night-drip' } & NightDrip)
	| ({ readonly kind: 'slip' } & { readonly slip: Slip; readonly entry: Entry });

/** What would mend a finding, ready to be done with one tap. */
export type FindingMend =
	| { readonly kind: 'add'; readonly draft: EntryDraft }
	/** what a tank serves, kept as the result of a trial */
	| { readonly kind: 'serves'; readonly tank: string; readonly litres: number; readonly at: string }
	| { readonly kind: 'trust'; readonly entry: string }
	| { readonly kind: 'void'; readonly entry: string }
	/** the figure of a meter that was most likely meant */
	| { readonly kind: 'value'; readonly entry: string; readonly value: number }
	/** it is as written: twice, or so many litres */
	| { readonly kind: 'insist'; readonly entry: string; readonly litres?: number | undefined }
	/** the figure that was most likely meant */
	| { readonly kind: 'litres'; readonly entry: string; readonly litres: number }
	| { readonly kind: 'move'; readonly entry: string; readonly at: string };

/** Where findings are looked for, beside the estimate itself. */
export interface FindingContext {
	readonly trips?: readonly Trip[];
	/** all entries of the rig, those after the estimate's moment too */
	readonly all?: readonly Entry[];
	readonly timeZone?: string;
}

const isReading = (entry: Entry): entry is EntryOf<'reading'> => entry.kind === 'reading';
/** A missing entry is brought up for so long, ms. */
const LOOK_BACK_MS = 8 * DAY_MS;

/** Per instrument, what its latest readings say of it: one of them doubted, or it fails again and again. */
function instrumentFindings(estimate: Estimate): readonly Finding[] {
	const doubts = new Map(estimate.state.doubts.map((doubt) => [doubt.entry, doubt]));
	if (doubts.size === 0) return [];
	const readings = estimate.entries.filter(isReading);
	return estimate.model.rig.instruments.flatMap((instrument): Finding[] => {
		const own = readings.filter((reading) => reading.instrument === instrument.id);
		const last = own.at(-1);
		const doubt = last && doubts.get(last.id);
		if (!last || !doubt) return [];
		const base = { instrument: instrument.id, name: instrument.name, value: last.value };
		// What it tells of a missing entry is said as that.
		if (
			likelyMissedEntries(estimate.model, estimate.state).some(({ instrument: id }) => id === instrument.id)
		)
			return [];
		if (!estimate.failing.has(instrument.id)) return [{ ...base, kind: 'doubted', at: last.at, doubt }];
		const run = own.slice(own.findLastIndex(({ id }) => !doubts.has(id)) + 1);
		const of = run.flatMap(({ id }) => doubts.get(id) ?? []);
		return [{ ...base, kind: 'failing', since: run[0]?.at ?? last.at, doubts: of }];
	});
}

const SERVED_BY = { fill: 'water', dump: undefined } as const;

/** What was written down out of a tank in some time, litres: uses by what is believed of them now. */
function writtenOutL(
	{ model, state, belief, entries }: Estimate,
	tank: Tank,
	fromMs: number,
	toMs: number
): number {
	return entries.reduce((sum, entry) => {
		const ms = instantMs(entry.at);
		if (ms < fromMs || ms > toMs) return sum;
		if (entry.kind === 'transfer' && entry.fromTank === tank.id) return sum + (entry.litres ?? 0);
		const habit = entry.kind === 'use' ? model.habits.get(entry.habit) : undefined;
		if (!habit || entry.kind !== 'use') return sum;
		const gain = model.flow(habit, state).tanks.get(tank.id);
		const each = entry.litres ?? belief.mean[model.habitRow.get(habit.id) ?? -1] ?? 0;
		const measured = entry.litres === undefined ? entry.times : 1;
		return gain ? sum - measured * (gain.perLitre * each + gain.fixed) : sum;
	}, 0);
}

/** A fresh tank of which more was written down than it held, where that is most of what it gave. */
function overdrawnOf(
	estimate: Estimate,
	missing: Imbalance,
	tank: Tank
): Pick<Extract<Finding, { kind: 'missing' }>, 'overdrawn'> {
	const { kind, beyondL, afterMs, beforeMs } = missing;
	if (kind !== 'fill' || beyondL === undefined) return {};
	const writtenL = writtenOutL(estimate, tank, afterMs, beforeMs);
	return writtenL > beyondL
		? {
				overdrawn: { writtenL, heldL: writtenL - beyondL, carried: isCarried(estimate.model.rig, tank) }
			}
		: {};
}

/** A digit too few may tell of what is missing, to within so much of the figure that was meant. */
const TENFOLD_WITHIN = 0.25;

/** The fill that explains a missing one, where it was ten times as much as was written down. */
function tenfoldOf({ entries, model }: Estimate, missing: Imbalance): Finding | undefined {
	const { litres, pool, afterMs, beforeMs } = missing;
	if (missing.kind !== 'fill' || litres === undefined) return undefined;
	const entry = entries.findLast(
		(one): one is EntryOf<'fill'> =>
			one.kind === 'fill' &&
			one.trusted !== true &&
			model.places.get(one.tank)?.pool.index === pool &&
			instantMs(one.at) >= afterMs &&
			instantMs(one.at) <= beforeMs &&
			Math.abs(9 * (one.litres ?? 0) - litres) < TENFOLD_WITHIN * litres
	);
	return (
		entry && {
			kind: 'slip',
			slip: { kind: 'tenfold', entry: entry.id, litres: 10 * (entry.litres ?? 0) },
			entry
		}
	);
}

function missingFindings(estimate: Estimate, trips: readonly Trip[]): readonly Finding[] {
	const { model, state, atMs } = estimate;
	const latest = new Map<string, { readonly missing: Imbalance; readonly instrument?: string }>();
	for (const one of [
		...state.imbalances.map((missing) => ({ missing })),
		...overdueEntries(model, state).map((missing) => ({ missing })),
		...likelyMissedEntries(model, state)
	])
		if (atMs - one.missing.beforeMs < LOOK_BACK_MS)
			latest.set(`${one.missing.kind}|${one.missing.pool}`, one);
	const stops = trips.filter(({ rig }) => rig === model.rig.id).flatMap((trip) => trip.stops);
	return [...latest.values()].flatMap(({ missing, instrument }): Finding[] => {
		const slip = tenfoldOf(estimate, missing);
		if (slip) return [slip];
		const told = instrument && model.instruments.get(instrument)?.name;
		const tank = model.pools[missing.pool]?.tanks[0];
		if (!tank) return [];
		const wanted = missing.kind === 'dump' ? tank.holds : SERVED_BY.fill;
		const stop = stops.findLast(
			({ arrive, services }) =>
				instantMs(arrive) >= missing.afterMs &&
				instantMs(arrive) <= missing.beforeMs &&
				services.some(({ kind }) => kind === wanted)
		);
		return [
			{
				kind: 'missing',
				tank: tank.id,
				name: tank.name,
				missing,
				likelyMs: stop ? instantMs(stop.arrive) : (missing.afterMs + missing.beforeMs) / 2,
				...(stop ? { stop: stop.name } : {}),
				...(told === undefined ? {} : { told }),
				...overdrawnOf(estimate, missing, tank)
			}
		];
	});
}

/** What is believed of a tank's volume is said when its doubt has come to this share of what it was at first. */
const SURE = 0.5;
/** One look may be a slip. */
const LEAST_LOOKS = 2;

/** Tanks known only by their plates of which the log has learned what they serve. */
function servesFindings(estimate: Estimate): readonly Finding[] {
	return estimate.model.pools.flatMap(({ usableRow: usable, usableSdL, tanks }): readonly Finding[] => {
		const [tank] = tanks;
		if (usable === undefined || !tank || tanks.length > 1 || tank.retired) return [];
		const { mean, sd } = usableOfTank(estimate, tank.id);
		const looks = estimate.entries.filter(
			(entry) =>
				(entry.kind === 'fill' && entry.tank === tank.id && entry.to === 'full') ||
				(entry.kind === 'mark' && entry.tank === tank.id && entry.state === 'full') ||
				(entry.kind === 'transfer' && entry.toTank === tank.id && entry.until === 'to-full')
		).length;
		if (sd > SURE * usableSdL || looks < LEAST_LOOKS) return [];
		return [
			{
				kind: 'serves',
				tank: tank.id,
				name: tank.name,
				fresh: tank.holds === 'fresh',
				plateL: tank.nominalL,
				servesL: mean,
				looks
			}
		];
	});
}

/** What the account takes for a slip, of late. */
const likelySlips = ({ state, atMs }: Estimate): readonly Slip[] =>
	state.slips.filter((slip) => atMs - slip.atMs < LOOK_BACK_MS);

/** Litres that the usual crew draws in a day, by the rig's own word. */
const usualDailyL = ({ model: { streams, crew } }: Estimate): number =>
	streams.reduce((sum, { usualL, perPerson }) => sum + usualL * (perPerson ? crew.usual : 1), 0);

/** All that is worth knowing at an estimate's moment. */
export function findings(
	estimate: Estimate,
	{ trips = [], all = estimate.entries }: FindingContext = {}
): readonly Finding[] {
	const known = new Map(all.map((entry) => [entry.id, entry]));
	return [
		...instrumentFindings(estimate),
		...missingFindings(estimate, trips),
		...servesFindings(estimate),
		...dripsIn(estimate, usualDailyL(estimate)).map((drip): Finding => ({ kind: 'drip', ...drip })),
		...nightDripsIn(estimate).map((drip): Finding => ({ kind: 'night-drip', ...drip })),
		...[...slipsIn(all, estimate.atMs), ...likelySlips(estimate)].flatMap((slip): Finding[] => {
			const entry = known.get(slip.entry);
			return entry ? [{ kind: 'slip', slip, entry }] : [];
		})
	];
}

/** A measured gap is good to about this share of itself. */
const GAP_DOUBT = 0.12;
/** A fill that ends this near the brim was one to the brim. */
const NEARLY_FULL = 0.88;

/** What is offered about a finding, the likeliest first: of what may be a slip also that it is none. */
export function mendsOf(finding: Finding, estimate: Estimate, timeZone: string): readonly FindingMend[] {
	const mend = mendOf(finding, estimate, timeZone);
	if (!mend) return [];
	if (finding.kind === 'doubted') {
		const { entry, cause } = finding.doubt;
		const meant = cause.kind === 'mistyped' ? cause.meant : undefined;
		return meant === undefined ? [mend] : [{ kind: 'value', entry, value: meant }, mend];
	}
	if (finding.kind !== 'slip' || finding.slip.kind === 'clock') return [mend];
	const { entry } = finding;
	const litres = finding.slip.kind === 'tenfold' && 'litres' in entry ? entry.litres : undefined;
	return [mend, { kind: 'insist', entry: entry.id, litres }];
}

/** What one tap could do about a finding; nothing for what only a person can look into. */
function mendOf(finding: Finding, estimate: Estimate, timeZone: string): FindingMend | undefined {
	switch (finding.kind) {
		case 'failing':
		case 'drip':
		case 'night-drip':
			return undefined;
		case 'doubted':
			return { kind: 'trust', entry: finding.doubt.entry };
		case 'serves':
			return {
				kind: 'serves',
				tank: finding.tank,
				litres: Math.floor(finding.servesL),
				at: zonedIso(estimate.atMs, timeZone)
			};
		case 'slip':
			if (finding.slip.kind === 'tenfold')
				return { kind: 'litres', entry: finding.slip.entry, litres: finding.slip.litres };
			return finding.slip.kind === 'twice'
				? { kind: 'void', entry: finding.slip.entry }
				: finding.slip.suggestedAt === undefined
					? undefined
					: { kind: 'move', entry: finding.slip.entry, at: finding.slip.suggestedAt };
		case 'missing': {
			const { missing, tank: id } = finding;
			const at = zonedIso(finding.likelyMs, timeZone);
			if (missing.kind === 'dump') return { kind: 'add', draft: { kind: 'dump', at, tank: id, to: 'empty' } };
			if (missing.kind !== 'fill') return undefined;
			const tank = estimate.model.rig.tanks.find((one) => one.id === id);
			const litres = missing.litres;
			const brim = missing.upToL === undefined || missing.upToL > NEARLY_FULL * (tank ? usableOf(tank) : 0);
			if (litres === undefined || brim)
				return { kind: 'add', draft: { kind: 'fill', at, tank: id, to: 'full' } };
			const sdL = Math.max(2, GAP_DOUBT * litres);
			return {
				kind: 'add',
				draft: { kind: 'fill', at, tank: id, litres: Math.round(litres), sdL: Math.round(sdL * 10) / 10 }
			};
		}
	}
}
