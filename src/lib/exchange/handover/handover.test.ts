import { deflateRawSync } from 'node:zlib';
import fc from 'fast-check';
import jsQR from 'jsqr';
import { encode } from 'uqr';
import { describe, expect, it } from 'vitest';
import { demoLogbook } from '$demo';
import { canonical, mergeLogbooks, newChangeLog, numbered, parseLogbook, type Logbook } from '$core/logbook';
import { anyLogbook, entry, freshStart, logbookOf } from '../../../../tests/helpers/logbooks';
import { toBase64url } from '../base64url';
import { behind, look, prepare } from './handOver';
import { CannotUnpack, linkOf, MOST_UNPACKED, packed, unpacked } from './packing';
import { Gathering, LONGEST_ALONE, picturesOf } from './pictures';

const NOW = '2027-05-05T12:00:00Z';
const empty: Logbook = { ...logbookOf([]), rigs: [], trips: [] };
const whyOf = (text: string): Promise<string> =>
	unpacked(text).then(
		() => 'unpacked',
		(error: unknown) => (error instanceof CannotUnpack ? error.why : String(error))
	);
const zipped = (json: string): string => `v1.${toBase64url(deflateRawSync(json, { level: 9 }))}`;

describe('what is packed', () => {
	it('comes out as it went in, behind any address, with what a messenger puts around it', () =>
		fc.assert(
			fc.asyncProperty(anyLogbook, async (logbook) => {
				const text = await packed(logbook);
				const link = linkOf('https://water.example', text);
				const wrapped = link.replace(/.{70}/g, '$&\n');
				for (const sent of [text, `#${text}`, link, `Take this: ${link} See you`, wrapped])
					expect(canonical(JSON.parse(await unpacked(sent)))).toBe(canonical(logbook));
			}),
			{ numRuns: 40 }
		));
	it('is read by any other program that inflates', async () => {
		expect(JSON.parse(await unpacked(zipped('{"a":"ü"}')))).toEqual({ a: 'ü' });
	});
	it('says why it cannot be unpacked: none, a later one, cut anywhere, not what was packed', async () => {
		const text = await packed(logbookOf(freshStart()));
		expect(await whyOf('https://water.example/take')).toBe('none');
		expect(await whyOf('')).toBe('none');
		expect(await whyOf('v2.abcd')).toBe('later');
		expect(await whyOf('v1.')).toBe('cut');
		for (const length of [3, 4, 5, 20, 100, text.length - 1]) {
			expect(await whyOf(text.slice(0, length)), `${length}`).toBe('cut');
		}
		expect(await whyOf(`v1.${toBase64url(deflateRawSync(Buffer.from([0xff, 0xfe])))}`)).toBe('cut');
	});
	it('a small link that unpacks to much is refused by what it would come to, without unpacking it', async () => {
		const bomb = (size: number): string => zipped(`"${'0'.repeat(size)}"`);
		expect(bomb(10_000_000).length).toBeLessThan(14_000);
		for (const size of [300_000, 10_000_000]) expect(await whyOf(bomb(size))).toBe('large');
		expect(await whyOf(`v1.${'A'.repeat(3 * MOST_UNPACKED)}`)).toBe('large');
	});
});

describe('pictures', () => {
	const text = (length: number): string => `v1.${'Ab0_-'.repeat(length / 5)}`;
	it('of what one holds is the link itself, which any camera opens', () => {
		const link = linkOf('https://water.example', text(500));
		expect(picturesOf(link, text(500))).toEqual([link]);
		expect(new Gathering().add(link)).toEqual({ read: 1, of: 1, text: link });
	});
	it('of more are read in any order, each as often as it comes round, with how many are there', () =>
		fc.assert(
			fc.property(fc.integer({ min: 300, max: 2000 }), fc.infiniteStream(fc.nat(1000)), (fives, order) => {
				const whole = text(fives * 5);
				const pictures = picturesOf(linkOf('https://water.example', whole), whole)!;
				const gathering = new Gathering();
				const seen = new Set<number>();
				for (const nth of order) {
					const at = nth % pictures.length;
					seen.add(at);
					const gathered = gathering.add(pictures[at]!);
					expect([gathered?.read, gathered?.of]).toEqual([seen.size, pictures.length]);
					if (seen.size < pictures.length) continue;
					expect(gathered?.text).toBe(whole);
					return;
				}
			}),
			{ numRuns: 30 }
		));
	it('of two hand-overs at once are kept apart; foreign ones and such as cannot be are passed over', () => {
		const [one, two] = [text(4000), `${text(4000)}x`];
		const [a, b] = [picturesOf(text(4000), one)!, picturesOf(text(4000), two)!];
		const gathering = new Gathering();
		for (const foreign of [
			'https://shop.example/',
			'WIFI:S:camp;;',
			'dipsometer/abc/0/4/x',
			'dipsometer/abc/5/4/x',
			'dipsometer/abc/1/999/x',
			''
		])
			expect(gathering.add(foreign)).toBeUndefined();
		a.forEach((picture, i) => {
			gathering.add(b[i]!);
			const gathered = gathering.add(picture);
			if (i === a.length - 1) expect(gathered?.text).toBe(one);
		});
	});
	it('one that was made by hand spoils its set, which then comes round again', () => {
		const whole = text(4000);
		const pictures = picturesOf(whole, whole)!;
		const gathering = new Gathering();
		gathering.add(pictures[0]!.replace(/.$/, '~'));
		const last = pictures
			.slice(1)
			.map((picture) => gathering.add(picture))
			.at(-1);
		expect(last).toEqual({ read: 0, of: pictures.length });
		expect(pictures.map((picture) => gathering.add(picture)).at(-1)?.text).toBe(whole);
	});
	it('are no more than can be watched: more goes as a file', () => {
		expect(picturesOf(text(200_000), text(200_000))).toBeUndefined();
	});
	it('are read off a screen by the other package, the densest too', () => {
		for (const said of [
			linkOf('https://water.example', text(LONGEST_ALONE - 100)),
			picturesOf(text(4000), text(4000))![0]!
		]) {
			const { data, size } = encode(said, { ecc: 'L', border: 4 });
			const scale = 4;
			const pixels = new Uint8ClampedArray((size * scale) ** 2 * 4).fill(255);
			for (let y = 0; y < size * scale; y++)
				for (let x = 0; x < size * scale; x++)
					if (data[Math.floor(y / scale)]![Math.floor(x / scale)])
						pixels.fill(0, (y * size * scale + x) * 4, (y * size * scale + x) * 4 + 3);
			expect(jsQR(pixels, size * scale, size * scale)?.data).toBe(said);
		}
	});
});

describe('a hand-over', () => {
	const demo = demoLogbook(Date.parse('2026-06-16T10:40:00+01:00'), 'Europe/London');
	const log = numbered(newChangeLog('mara00'), demo);
	it('of the whole demo is read on a phone that holds nothing, and is the same there', async () => {
		const { link, pictures } = await prepare({ logbook: demo, log }, {}, 'Mara', 'https://water.example');
		const seen = await look(link, { logbook: empty, log: newChangeLog('ivo000') }, {}, NOW);
		if (!seen.ok) throw new Error(seen.why);
		const merged = mergeLogbooks(empty, { ...seen.theirs, ...{ handOver: undefined } });
		for (const list of ['rigs', 'trips', 'points', 'entries'] as const)
			expect(canonical([...merged[list]].sort((a, b) => (a.id < b.id ? -1 : 1)))).toBe(
				canonical([...demo[list]].sort((a, b) => (a.id < b.id ? -1 : 1)))
			);
		expect(pictures?.length).toBeLessThan(20);
	});
	it('of a day is about half a kilobyte: one picture, and a link', async () => {
		const day = demo.entries.filter(({ rig, at }) => rig === 'demo-wren' && at.startsWith('2026-06-15'));
		expect(day.length).toBeGreaterThan(8);
		const before = { ...demo, entries: demo.entries.filter((one) => !day.includes(one)) };
		const known = numbered(newChangeLog('mara00'), before);
		const { link, pictures, difference } = await prepare(
			{ logbook: demo, log: known },
			known.known,
			'Mara',
			'https://water.example'
		);
		expect(difference.entries).toHaveLength(day.length);
		expect(link.length * 0.75).toBeLessThan(800);
		expect(pictures).toEqual([link]);
	});
	it('gets the same checks as a file, with the place of what is wrong', async () => {
		const here = { logbook: demo, log };
		const wrong = async (part: object): Promise<unknown> => {
			const seen = await look(zipped(JSON.stringify({ ...logbookOf(freshStart()), ...part })), here, {}, NOW);
			return seen.ok ? 'fine' : 'refusal' in seen ? seen.refusal.problems[0]?.path : seen.why;
		};
		expect(await wrong({})).toBe('fine');
		expect(await wrong({ version: 2 })).toBe('$.version');
		expect(await wrong({ entries: [{ ...freshStart()[0], at: 'noon' }] })).toBe('$.entries[0].at');
		expect(await wrong({ entries: [{ ...freshStart()[0], tank: 'tub' }] })).toBe('$.entries[0].tank');
		expect(await wrong({ rigs: [], trips: [], entries: [{ ...freshStart()[0], rig: 'raft' }] })).toBe(
			'$.entries[0].rig'
		);
		expect(
			await wrong({ handOver: { device: '__proto__', by: 'x', since: {}, upTo: {}, changes: [] } })
		).toBe('$.handOver.device');
		expect(await look(zipped('[1,'), here, {}, NOW)).toMatchObject({ ok: false, why: 'wrong' });
		expect(await look(zipped('[['.repeat(25_000)), here, {}, NOW)).toMatchObject({
			ok: false,
			why: 'wrong'
		});
	});
	it('with fewer entries than a file needs is read where its rig is', async () => {
		const few = {
			...demo,
			rigs: [],
			trips: [],
			points: [],
			entries: demo.entries.slice(0, 3).map((one, i) => ({ ...one, id: `x${i}` }))
		};
		expect(parseLogbook(few).ok).toBe(false);
		expect(await look(zipped(JSON.stringify(few)), { logbook: demo, log }, {}, NOW)).toMatchObject({
			ok: true
		});
	});
	it('tells who is behind, since when, unless it was offered already', () => {
		const one = entry({ kind: 'note', text: 'new', at: '2026-06-14T08:00:00Z' });
		const logbook = { ...demo, entries: [...demo.entries, { ...one, rig: 'demo-wren' }] };
		const partners = [
			{ name: 'Ivo', has: log.known },
			{ name: 'Cleo', has: {} },
			{ name: 'Zoe', has: {}, offered: numbered(log, logbook).known }
		];
		const told = behind({ logbook, log }, partners);
		expect(told.get('Ivo')).toEqual({ records: 1, since: '2026-06-14T08:00:00Z' });
		expect(told.get('Cleo')?.records).toBeGreaterThan(100);
		expect(told.get('Zoe')).toBeUndefined();
	});
});
