import { DAY_MS } from '../../time/index.js';
import type { Basket, Holding } from '../../forecast/index.js';
import type { Rig, Tank } from '../../logbook/index.js';
import { tankById } from '../../rig/index.js';
import type { Span } from '../spans.js';
import { sayAt } from './clock.js';
import { sayChance } from './chance.js';
import { capital } from '../outlook/stay.js';

/** Until when a tank must last: a service, here or ahead; the end of the trip; a moment that is asked about; or, without any, a day. */
export interface Until {
	readonly ms: number;
	readonly for: 'service' | 'here' | 'trip-end' | 'a-day' | 'goal';
	/** the stop with the service */
	readonly stop?: string;
}

/** Enough, careful, or go first. */
export type BasketKind = 'enough' | 'careful' | 'go';

/** A basket that holds as often as not is not a plain no. */
const CAREFUL = 0.5;

/** Which of the three it is. */
export const basketKindOf = (chance: number, certainty: number): BasketKind =>
	chance >= certainty ? 'enough' : chance >= CAREFUL ? 'careful' : 'go';

const SERVICE = { fresh: 'the tap', grey: 'the drain', black: 'the dump point' } as const;

function untilWords({ holds }: Tank, until: Until, nowMs: number, timeZone: string): string {
	const when = sayAt(until.ms, nowMs, timeZone);
	if (until.for === 'here') return `you are at ${SERVICE[holds]}`;
	if (until.for === 'service') return `${SERVICE[holds]}${until.stop ? ` at ${until.stop}` : ''} is ${when}`;
	if (until.for === 'goal') return `asked until ${when}`;
	return until.for === 'trip-end'
		? `the trip ends ${when}`
		: `checked until ${when}, as no ${SERVICE[holds].slice(4)} is planned`;
}

/** `Enough.`, `Be careful.`, or where to go first: to dump, to refill, or both. */
function headlineOf(rig: Rig, kind: BasketKind, { failing, tank }: Holding): string {
	if (kind === 'enough') return 'Enough.';
	if (kind === 'careful') return 'Be careful.';
	const holds = [tank, ...failing].map((id) => tankById(rig, id ?? '')?.holds);
	const [refill, dump] = [holds.includes('fresh'), holds.some((one) => one && one !== 'fresh')];
	return `${refill && dump ? 'Dump and refill' : refill ? 'Refill' : 'Dump'} first.`;
}

/** The answer to a basket: one of three, and its reason. */
export function sayBasket(
	rig: Rig,
	{ before, after }: Basket,
	until: ReadonlyMap<string, Until>,
	certainty: number,
	atMs: number,
	timeZone: string
): {
	readonly kind: BasketKind;
	readonly headline: Span;
	readonly reason: string;
	/** when what ends it would be, without what else there is to say */
	readonly ends: string;
} {
	const kind = basketKindOf(after.chance, certainty);
	const tank = tankById(rig, after.tank ?? '');
	const term = tank && until.get(tank.id);
	const text = headlineOf(rig, kind, after);
	const headline: Span = kind === 'enough' ? { text } : { text, tone: 'mind' };
	if (!tank || !term) {
		const reason = 'No tank in this rig runs low or fills up.';
		return { kind, headline, reason, ends: reason };
	}
	const bindsMs = atMs + after.bindsDays * DAY_MS;
	const full = tank.holds === 'fresh' ? 'is down to its reserve' : 'is full';
	const binds =
		after.bindsDays <= 0
			? `${tank.name} ${tank.holds === 'fresh' ? 'would drop below its reserve' : 'is too full for it'}`
			: Number.isFinite(after.bindsDays)
				? `${tank.name} ${full} ${sayAt(bindsMs, atMs, timeZone)}`
				: `${tank.name} lasts`;
	const also = kind === 'enough' ? '' : before.chance < certainty ? ' True even without it.' : '';
	const chance = kind === 'careful' ? ` ${capital(sayChance(after.chance))} that it works.` : '';
	const ends = `${binds}; ${untilWords(tank, term, atMs, timeZone)}.`;
	return { kind, headline, reason: `${ends}${chance}${also}`, ends };
}
