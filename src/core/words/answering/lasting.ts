import { DAY_MS } from '../../time/index.js';
import type { Tank } from '../../logbook/index.js';
import { formatDuration, formatLitres, type UnitChoice } from '../../units/index.js';
import { capital } from '../outlook/stay.js';
import { listed } from '../list.js';
import type { Span } from '../spans.js';
import { sayWhen } from '../when.js';
import { sayChance } from '../saving/chance.js';

/** How long something lasts, for an answer. */
export interface LastsTold {
	/** the tank that is asked about, or that ends it */
	readonly tank: string | undefined;
	readonly holds: Tank['holds'] | undefined;
	readonly days: number;
	/** one chance in ten that it is sooner */
	readonly earlyDays: number;
	/** how far was looked, days */
	readonly horizon: number;
	/** one tank was asked about, not all */
	readonly one: boolean;
	readonly atMs: number;
	readonly timeZone: string;
}

const ends = (holds: Tank['holds'] | undefined): string => (holds === 'fresh' ? 'runs low' : 'is full');
const whenOf = (days: number, { atMs, timeZone }: Pick<LastsTold, 'atMs' | 'timeZone'>): string =>
	sayWhen(atMs + days * DAY_MS, atMs, timeZone);

const early = (about: LastsTold): string => {
	const [likely, soonest] = [whenOf(about.days, about), whenOf(about.earlyDays, about)];
	return likely === soonest || about.earlyDays >= about.days ? '' : `, ${soonest} at the earliest`;
};

/** `3 days: Grey is full Friday evening, Friday afternoon at the earliest.` */
export function sayLastsAnswer(about: LastsTold): string {
	const { tank, holds, days, horizon, one } = about;
	if (days >= horizon)
		return `More than ${horizon} days: ${tank && one ? `${tank} lasts` : 'no tank runs low or fills up'}.`;
	if (days <= 0)
		return `No longer: ${tank ?? 'a tank'} ${holds === 'fresh' ? 'is down to its reserve' : 'is full'}.`;
	const first = one ? '' : ' first';
	return `${capital(formatDuration(days))}: ${tank ?? 'a tank'} ${ends(holds)}${first} ${whenOf(days, about)}${early(about)}.`;
}

/** `Yes, until Friday noon: Grey is full Friday evening. 90% chance.` */
export function sayLastsUntil(said: string, enough: boolean, chance: number, about: LastsTold): string {
	const { tank, holds, days, horizon, one } = about;
	const sure = chance > 0.985 || chance < 0.05 ? '' : `${capital(sayChance(chance))} that it lasts. `;
	const first = one ? '' : ' first';
	const when =
		days >= horizon
			? `${tank && one ? tank : 'everything'} lasts more than ${horizon} days`
			: days <= 0
				? `${tank ?? 'a tank'} ${holds === 'fresh' ? 'is down to its reserve' : 'is full'} now`
				: `${tank ?? 'a tank'} ${ends(holds)}${first} ${whenOf(days, about)}${early(about)}`;
	return `${enough ? 'Yes' : 'No'}, ${enough ? '' : 'not '}${said}: ${when}. ${sure}`.trim();
}

/** `Without Dishes: Saturday morning, 9 h longer; Grey is full first.` */
export function sayOtherwise(
	said: string,
	about: LastsTold,
	now: { readonly days: number; readonly tank: string | undefined }
): string {
	const { tank, holds, days, horizon, one } = about;
	const moved = days - now.days;
	const change =
		Math.abs(moved) * 24 < 0.5
			? 'just as long as now'
			: `${formatDuration(Math.abs(moved))} ${moved > 0 ? 'longer' : 'shorter'} than now`;
	const until =
		days >= horizon ? `more than ${horizon} days` : days <= 0 ? 'no longer' : `until ${whenOf(days, about)}`;
	const limit = days >= horizon || tank === undefined ? '' : one ? '' : `; ${tank} ${ends(holds)} first`;
	return `${capital(said)}: ${one && tank ? `${tank} lasts ` : 'it lasts '}${until}, ${change}${limit}.`;
}

/** `Quick shower × 2, Dishes`: what was asked for. */
const sayMore = (more: readonly { readonly name: string; readonly times: number }[]): string =>
	listed(more.map(({ name, times }) => (times === 1 ? name : `${name} × ${times}`)));

/** `Enough. Quick shower × 2, 16 L. Grey is full tomorrow at 15:00; the drain at Low Sarn is today at 18:00.` */
export function sayEnoughAnswer(
	more: readonly { readonly name: string; readonly times: number }[],
	litres: number,
	{
		headline,
		reason,
		ends,
		anyway
	}: {
		readonly headline: Span;
		readonly reason: string;
		readonly ends: string;
		/** it fits now, and what it falls short of would be missed without it, too */
		readonly anyway: boolean;
	},
	units: UnitChoice
): string {
	const what = `${sayMore(more)}, ${formatLitres(litres, units)}`;
	return anyway ? `Enough now: ${what}. With or without it, ${ends}` : `${headline.text} ${what}. ${reason}`;
}

/** `Dishes: 6 L and 3 h of your stay.` */
export function sayCostAnswer(
	more: readonly { readonly name: string; readonly times: number }[],
	litres: number,
	hours: number,
	units: UnitChoice
): string {
	const time = hours * 60 < 0.5 ? 'no time of your stay' : `${formatDuration(hours / 24)} of your stay`;
	return `${sayMore(more)}: ${formatLitres(litres, units)} and ${time}.`;
}

/** `14 more: Grey is full then; the water would do for 20.` */
export function sayTimesLeft(
	name: string,
	left:
		| {
				readonly times: number;
				readonly limits: readonly {
					readonly name: string;
					readonly holds: Tank['holds'];
					readonly times: number;
				}[];
		  }
		| undefined
): string {
	if (!left) return `${name} touches no tank that runs low or fills up: as many as you like.`;
	const [first, second] = left.limits;
	const limit = first
		? `${first.name} ${first.holds === 'fresh' ? 'is at its reserve' : 'is full'} then`
		: '';
	const other = second && second.times > left.times ? `; ${second.name} would do for ${second.times}` : '';
	return left.times === 0
		? `${name}: none. ${first ? `${first.name} ${first.holds === 'fresh' ? 'would drop below its reserve' : 'is too full for it'}.` : ''}`.trim()
		: `${name}: ${left.times} more, if nothing else is used. ${limit}${other}.`;
}
