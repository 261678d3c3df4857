import type { Trip } from '$core/logbook';
import {
	nameOfWay,
	readWay,
	sayWay,
	tripFromWay,
	wayContext,
	type Way,
	type WayProblem
} from '$core/quickline';
import { sayTimesAt } from '$core/words';
import { MINUTE_MS, zonedIso, zonedTime } from '$core/time';
import { latest, type FallbackPrice, type TripPlan } from '$lib/engine';
import type { App } from '$lib/state';
import { Correction } from '../../../../state/correction.svelte';
import { untrack } from 'svelte';
import { v7 as uuid } from 'uuid';
import { newTrip } from '../tripFields';

/** A trip in lines as it was understood, and as it would go. */
export interface TripRead {
	readonly trip: Trip;
	/** what a name of it would be */
	readonly name: string;
	readonly lines: readonly {
		readonly line: number;
		readonly says: string;
		readonly shut: string;
		readonly known: boolean;
	}[];
	readonly problems: readonly WayProblem[];
	/** absent where there is nothing to plan, or until it is planned */
	readonly planned?: TripPlan;
	readonly price?: FallbackPrice;
}

const isCalendar = (text: string): boolean => /^\s*BEGIN:VCALENDAR/im.test(text);

/** So long after the last key a trip is read. */
const REST_MS = 250;
const QUARTER_MS = 15 * MINUTE_MS;

/**
 * A trip as it is being written in lines, and what it is understood as. For use while a component is set up.
 *
 * @param known the trip that is changed; a new one when absent
 */
export function asWritten(app: App, rigId: string, known: Trip | undefined) {
	const zone = known?.timeZone ?? app.liveRig?.timeZone ?? Intl.DateTimeFormat().resolvedOptions().timeZone;
	const crew = app.liveRig?.crew ?? 2;
	const base = known ?? newTrip(uuid(), rigId, zonedTime(app.nowMs, zone).day, zone, crew);
	const { tripText } = app.prefs.current;
	// A draft of a trip that was changed elsewhere meanwhile would take that back: it is let go.
	const kept =
		tripText?.rig === rigId && tripText.trip === known?.id && tripText.edited === known?.edited
			? tripText
			: undefined;
	const soon = zonedIso(QUARTER_MS * Math.ceil(app.nowMs / QUARTER_MS), zone);
	const first = known?.stops.find(({ retired }) => !retired)?.arrive;

	const opened = {
		text: known ? sayWay(known.stops, { timeZone: zone, rig: app.liveRig, points: app.records.points }) : '',
		from: first ?? soon
	};
	let text = $state(kept?.text ?? opened.text);
	let from = $state(kept?.from ?? opened.from);
	let name = $state(known?.name ?? '');
	let fallback = $state(known?.policy?.fallback ?? false);
	let rested = $state.raw({ text: untrack(() => text), from: untrack(() => from) });
	const correction = new Correction(app, 'trip', known);

	// Keys come faster than a trip is read: it is read, and kept against a reload, once they rest.
	$effect(() => {
		const next = { text, from };
		const waiting = setTimeout(() => {
			rested = next;
			if (next.text === opened.text && next.from === opened.from) return;
			const of = known ? { trip: known.id, edited: known.edited } : {};
			void app.prefs.set({ tripText: { rig: rigId, ...next, ...of } });
		}, REST_MS);
		return () => clearTimeout(waiting);
	});
	const trip = $derived<Trip>({ ...base, policy: { ...base.policy, fallback } });
	const way = latest((): Promise<Way> | undefined => {
		const { rigs, points } = app.records;
		if (rested.text.trim() === '') return undefined;
		const about = { logbook: { rigs, points }, rig: rigId, timeZone: zone };
		const context = { ...wayContext(rested.text, rested.from, about), persons: base.persons };
		return isCalendar(rested.text)
			? import('$lib/exchange/tripText').then(({ readTripText }) => readTripText(context))
			: Promise.resolve(readWay(context));
	});
	const draft = $derived(way.value && tripFromWay(trip, way.value.stops, (place) => `stop-${place}`));
	const planned = latest(() =>
		draft && draft.stops.length > 0 ? app.engine.ask('trip/planDraft', draft) : undefined
	);
	const read = $derived.by((): TripRead | undefined => {
		if (!way.value || !draft) return undefined;
		const { stops, lines, problems } = way.value;
		const plan = planned.value?.openings.length === draft.stops.length ? planned.value : undefined;
		return {
			trip: draft,
			name: nameOfWay(stops),
			problems,
			lines: lines.flatMap(({ line, stop: place, known: isKnown }) => {
				const stop = draft.stops[place];
				const openings = plan?.openings[place] ?? [];
				return stop
					? [
							{
								line,
								known: isKnown,
								says: [
									sayTimesAt(stop, zone),
									...openings.filter(({ shut }) => !shut).map(({ says }) => says)
								].join(', '),
								shut: openings
									.filter(({ shut }) => shut)
									.map(({ says }) => says)
									.join(', ')
							}
						]
					: [];
			}),
			...(plan?.planned ? { planned: plan.planned } : {}),
			...(plan?.price ? { price: plan.price } : {})
		};
	});

	/** Keeps the trip; whether it was kept. Stops that are new get their ids. */
	async function save(): Promise<string | undefined> {
		const told = read;
		if (!told) return undefined;
		const own = new Set(base.stops.map(({ id }) => id));
		const { fallback: _no, ...policy } = base.policy ?? {};
		const next: Trip = {
			...told.trip,
			name: name.trim() === '' ? told.name : name.trim(),
			policy: fallback ? { ...policy, fallback } : policy,
			stops: told.trip.stops.map((stop) => (own.has(stop.id) ? stop : { ...stop, id: uuid() }))
		};
		if (!(await correction.save(next, known ? 'Trip changed' : 'New trip'))) return undefined;
		await drop();
		return next.id;
	}
	/** Lets go what was written and not kept. */
	const drop = (): Promise<void> => app.prefs.set({ tripText: undefined });
	return {
		zone,
		correction,
		save,
		drop,
		get text() {
			return text;
		},
		set text(next: string) {
			text = next;
		},
		/** when one is at the first stop, an instant */
		get from() {
			return from;
		},
		set from(next: string) {
			from = next;
		},
		get name() {
			return name;
		},
		set name(next: string) {
			name = next;
		},
		get fallback() {
			return fallback;
		},
		set fallback(next: boolean) {
			fallback = next;
		},
		/** as it was last understood */
		get read(): TripRead | undefined {
			return text.trim() === '' ? undefined : read;
		},
		get trouble() {
			return way.trouble ?? planned.trouble;
		},
		/** whether what is read is what is written */
		get current() {
			return !way.waiting && rested.text === text && rested.from === from;
		}
	};
}
