import type { Random } from '../../src/core/numerics';
import { gaugeBand } from '../../src/core/estimate';
import type { Entry, EntryDraft, Habit, Instrument, Rig, Tank } from '../../src/core/logbook';
import { depthFor, fullLitres, usableOf } from '../../src/core/rig';
import type { Manner } from './manner';
import type { Between } from './rig';
import { DAY, MINUTE, START, WORLD } from './world';

/** Which light a level shows, or the percent of a sender. */
function shownBy(instrument: Extract<Instrument, { kind: 'gauge' }>, litres: number): string | number {
	const points = [...instrument.curve].sort((a, b) => a.litres - b.litres);
	if (typeof points[0]?.reads === 'string')
		return points.findLast((point) => point.litres <= Math.max(0, litres))?.reads ?? points[0].reads;
	const top = points.at(-1)?.litres ?? 1;
	return Math.round((100 * Math.min(Math.max(litres, 0), top)) / top);
}

/** A habit as it truly is. */
export interface Truly {
	readonly habit: Habit;
	readonly litres: number;
	readonly scatter: number;
	/** times a day for each person, or in all */
	readonly often: number;
	readonly written: number;
}

/** A trip as it is lived and written down, act by act. */
export class LivedTrip {
	readonly #random: Random;
	readonly #between: Between;
	readonly #manner: Manner;
	readonly rig: Rig;
	readonly entries: Entry[] = [];
	readonly level = new Map<string, number>();
	readonly capacity: ReadonlyMap<string, number>;
	readonly drawn: { atMs: number; litres: number }[] = [];
	readonly lies: string[] = [];
	readonly honest: string[] = [];
	readonly fulls: number[] = [];
	/** evenings of which nothing was written */
	readonly skipped: number[] = [];
	/** the fill that was not written down */
	missed: { readonly atMs: number; readonly litres: number } | undefined;
	persons: number;
	/** nothing is written down for a while, but what is done at a tap or a drain; and nobody may be there */
	silent: 'lived' | 'away' | undefined;
	#mains = false;
	#sewer = false;
	#counted = 0;
	#base = 0;
	readonly #meterError: number;
	readonly #gaugeError: ReadonlyMap<string, number>;
	readonly #stuckFrom: number;
	readonly #jumpsTo: number;
	#stoodAt: number | undefined;
	readonly #unwritten = new Map<string, number>();

	constructor(random: Random, between: Between, manner: Manner, rig: Rig, days: number) {
		this.#random = random;
		this.#between = between;
		this.#manner = manner;
		this.rig = rig;
		this.persons = rig.crew;
		this.capacity = new Map(
			rig.tanks.map((tank) => [
				tank.id,
				manner.plates
					? tank.nominalL * between(tank.holds === 'fresh' ? WORLD.freshServes : WORLD.wasteServes)
					: usableOf(tank)
			])
		);
		this.#meterError = 0.02 * random.normal();
		this.#gaugeError = new Map(
			rig.instruments.flatMap((one) =>
				one.kind === 'gauge'
					? [[one.id, Math.sqrt(WORLD.gaugeLasts) * (one.sdL ?? 0) * random.normal()] as const]
					: []
			)
		);
		this.#stuckFrom = START + days * DAY * between([0.25, 0.45]);
		this.#jumpsTo = random.uniform();
		for (const { id } of rig.tanks) this.level.set(id, 0);
	}

	get liar(): 'fresh' | 'grey' {
		return this.#manner.liar ?? 'grey';
	}

	add(atMs: number, draft: Record<string, unknown>): string {
		const id = `e${String(this.entries.length).padStart(5, '0')}`;
		const entry = { id, rig: 'rig', at: new Date(atMs).toISOString(), ...draft };
		this.entries.push(entry as unknown as Entry & EntryDraft);
		return id;
	}

	litresIn(tank: string): number {
		return this.level.get(tank) ?? 0;
	}

	room(tank: string): number {
		return (this.capacity.get(tank) ?? 0) - this.litresIn(tank);
	}

	#put(tank: string, litres: number): void {
		this.level.set(tank, this.litresIn(tank) + litres);
	}

	/** What is in a tank called full: a little less than it could take. */
	readonly brim = (tank: string): number =>
		(this.capacity.get(tank) ?? 0) * (1 - Math.abs(0.006 * this.#random.normal()));

	get #meter(): Extract<Instrument, { kind: 'meter' }> | undefined {
		return this.rig.instruments.find((one) => one.kind === 'meter');
	}

	resetMeter(atMs: number): void {
		const meter = this.#meter;
		if (!meter) return;
		this.#base =
			meter.counts === 'up'
				? 0
				: this.#manner.countdown
					? Math.round(this.litresIn('fresh') / meter.unitL)
					: 4000;
		this.#counted = 0;
		this.honest.push(
			this.add(atMs, { kind: 'reading', instrument: meter.id, value: this.#base, reset: true })
		);
	}

	readMeter(atMs: number): void {
		const meter = this.#meter;
		if (!meter || this.silent) return;
		const units = (this.#counted * (1 + this.#meterError)) / (meter.unitL * (meter.scale ?? 1));
		const value = Math.max(
			0,
			Number((meter.counts === 'up' ? this.#base + units : this.#base - units).toFixed(1))
		);
		if (this.#slips(WORLD.mistypes)) {
			this.add(atMs, { kind: 'reading', instrument: meter.id, value: this.#typedMeter(value) });
			return;
		}
		this.honest.push(this.add(atMs, { kind: 'reading', instrument: meter.id, value }));
	}

	/** To the brim, mostly; measured or not. */
	fill(atMs: number, write: boolean): void {
		const full = this.#random.uniform() < 0.75;
		const room = this.brim('fresh') - this.litresIn('fresh');
		const litres = full ? room : room * this.#between([0.5, 0.8]);
		if (litres < 3) return;
		this.#put('fresh', litres);
		if (this.#meter?.place === 'fill') this.#counted += litres;
		if (!write) {
			this.missed = { atMs, litres };
			return;
		}
		if (this.#slips(WORLD.forgets)) return;
		const sdL = Math.max(0.5, 0.03 * litres);
		const measured = this.#meter?.place !== 'fill' && (!full || this.#random.uniform() < 0.5);
		if (full) this.fulls.push(atMs);
		this.add(atMs, {
			kind: 'fill',
			tank: 'fresh',
			...(measured ? { litres: this.#typed(Math.max(0, litres + sdL * this.#random.normal())), sdL } : {}),
			...(full ? { to: 'full' } : measured ? {} : { litres: this.#typed(litres) })
		});
		if (this.#meter?.place === 'fill') this.readMeter(atMs + MINUTE);
		if (this.#manner.countdown) this.resetMeter(atMs + MINUTE);
	}

	empty(atMs: number, tank: string): void {
		const residual = this.rig.tanks.find(({ id }) => id === tank)?.residualL ?? 0;
		this.level.set(tank, Math.max(0, residual * (1 + 0.35 * this.#random.normal())));
		if (!this.#slips(WORLD.forgets)) this.add(atMs, { kind: 'dump', tank, to: 'empty' });
	}

	/** Whether a pen slips here, with a chance. */
	#slips(chance: number): boolean {
		return this.#manner.slips === true && this.#random.uniform() < chance;
	}

	/** A meter's figure with two digits the wrong way round, or one too many. */
	#typedMeter(value: number): number {
		const [a = '', b = ''] = String(Math.round(value)).slice(-2);
		return this.#random.uniform() < 0.5
			? 10 * value
			: Math.max(0, value - Number(`${a}${b}`) + Number(`${b}${a}`));
	}

	/** A figure as it is typed: now and then a digit too many, or one too few. */
	#typed(value: number): number {
		if (!this.#slips(WORLD.mistypes)) return value;
		return this.#random.uniform() < 0.5 ? 10 * value : value / 10;
	}

	/** A planned service: litres that are added, what runs over is lost; to the brim; or emptied. */
	serve({
		atMs,
		tank,
		litres
	}: {
		readonly atMs: number;
		readonly tank: string;
		readonly litres?: number;
	}): void {
		if (this.rig.tanks.find(({ id }) => id === tank)?.holds !== 'fresh') return this.empty(atMs, tank);
		const brim = this.brim(tank);
		const before = this.litresIn(tank);
		const after =
			litres === undefined ? brim : Math.min(Math.max(brim, before), Math.max(0, before) + litres);
		this.level.set(tank, after);
		if (this.#meter?.place === 'fill') this.#counted += Math.max(0, after - before);
		this.add(atMs, { kind: 'fill', tank, ...(litres === undefined ? { to: 'full' } : { litres }) });
		if (this.#manner.countdown) this.resetMeter(atMs + MINUTE);
	}

	/** A jug is poured in, both are filled at a tap when they are empty. */
	pour(atMs: number): void {
		const jugs = this.rig.tanks.filter(({ feeds }) => feeds === 'fresh');
		if (jugs.every(({ id }) => this.litresIn(id) < 1))
			for (const { id } of jugs) {
				this.level.set(id, this.brim(id));
				this.add(atMs - 2 * MINUTE, { kind: 'fill', tank: id, to: 'full' });
			}
		const jug = jugs.find(({ id }) => this.litresIn(id) >= 1);
		if (!jug) return;
		const drops = this.#between(WORLD.dropsL);
		this.#put('fresh', this.litresIn(jug.id) - drops);
		this.level.set(jug.id, drops);
		this.add(atMs, { kind: 'transfer', fromTank: jug.id, toTank: 'fresh', until: 'from-empty' });
	}

	hookUp(atMs: number, mains: boolean, sewer: boolean): void {
		if (sewer && !this.#sewer)
			for (const { id, holds, portable, residualL = 0 } of this.rig.tanks)
				if (holds !== 'fresh' && !portable)
					this.level.set(id, Math.max(0, residualL * (1 + 0.35 * this.#random.normal())));
		[this.#mains, this.#sewer] = [mains, sewer];
		this.add(atMs, { kind: 'hookup', mains, sewer });
	}

	crew(atMs: number, persons: number): void {
		this.persons = persons;
		this.add(atMs, { kind: 'crew', persons });
	}

	/** Water runs through an outlet. */
	#run(atMs: number, litres: number, into: string, arrives: number): void {
		if (!this.#mains) {
			this.#put('fresh', -litres);
			if (this.#meter?.place === 'pump') this.#counted += litres;
			this.drawn.push({ atMs, litres });
		}
		const portable = this.rig.tanks.find(({ id }) => id === into)?.portable === true;
		if (!this.#sewer || portable) this.#put(into, arrives);
	}

	use(atMs: number, { habit, litres: mean, scatter, written }: Truly): void {
		if (this.silent === 'away') return;
		const litres = Math.max(0.05, mean + scatter * this.#random.normal());
		const arrives = litres * (1 - (habit.keptFraction ?? 0)) + (habit.addsL ?? 0);
		this.#run(atMs, litres, habit.outlet === 'toilet' ? 'black' : 'grey', arrives);
		if (this.#random.uniform() >= written || this.silent) return;
		if (this.#manner.batches) {
			this.#unwritten.set(habit.id, (this.#unwritten.get(habit.id) ?? 0) + 1);
			return;
		}
		const read = this.#manner.meter === 'pump' && this.#random.uniform() < 0.03;
		if (this.#slips(WORLD.twice))
			this.add(atMs + (1 + 2 * this.#random.uniform()) * MINUTE, { kind: 'use', habit: habit.id, times: 1 });
		this.add(atMs, {
			kind: 'use',
			habit: habit.id,
			times: 1,
			...(read ? { litres: Math.max(0, litres + 0.2 * this.#random.normal()), sdL: 0.2 } : {})
		});
	}

	smallDraw(atMs: number, litres: number): void {
		if (this.silent === 'away') return;
		this.#run(atMs, litres, 'grey', litres);
	}

	/** What was kept in mind is written down. */
	writeUp(atMs: number): void {
		if (this.#manner.skips !== undefined && this.#random.uniform() < this.#manner.skips) {
			this.skipped.push(atMs);
			return this.#unwritten.clear();
		}
		for (const [habit, times] of this.#unwritten) this.add(atMs, { kind: 'use', habit, times });
		this.#unwritten.clear();
	}

	/** What a lying gauge takes the level for, as a share of the tank. */
	#lied(share: number): number {
		if (this.#manner.lies === 'reads high') return Math.min(1, share + 0.35);
		this.#stoodAt ??= this.#manner.lies === 'jumps' ? this.#jumpsTo : share;
		return this.#stoodAt;
	}

	readGauges(atMs: number): void {
		if (this.silent) return;
		for (const gauge of this.rig.instruments) {
			if (gauge.kind !== 'gauge') continue;
			const top = usableOf(this.rig.tanks.find(({ id }) => id === gauge.tank) as Tank);
			const held = this.litresIn(gauge.tank);
			const stuck = this.#manner.lies !== undefined && gauge.tank === this.liar && atMs >= this.#stuckFrom;
			const noise = Math.sqrt(1 - WORLD.gaugeLasts) * (gauge.sdL ?? 0) * this.#random.normal();
			const seen = held + (this.#gaugeError.get(gauge.id) ?? 0) + noise;
			const value = shownBy(gauge, stuck ? this.#lied(held / top) * top : seen);
			const id = this.add(atMs, { kind: 'reading', instrument: gauge.id, value });
			// Wrong is what an honest gauge would not show: the level lies three of its deviations outside what it says.
			const [from, to] = gaugeBand(gauge, top, value) ?? [0, top];
			const off = Math.max(from - held, held - to, 0);
			if (stuck && off > 3 * (gauge.sdL ?? 0)) this.lies.push(id);
			else if (!stuck) this.honest.push(id);
		}
	}

	dip(atMs: number): void {
		const rod = this.silent ? undefined : this.rig.instruments.find((one) => one.kind === 'rod');
		const shape = this.rig.tanks[0]?.shape;
		if (!rod || !shape) return;
		const depth =
			depthFor(shape, Math.min(Math.max(0, this.litresIn('fresh')), fullLitres(shape))) +
			4 * this.#random.normal();
		this.honest.push(
			this.add(atMs, { kind: 'reading', instrument: rod.id, value: Math.max(0, Math.round(depth)) })
		);
	}
}
