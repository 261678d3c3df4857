import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { FlowReading } from '$lib/standins/flowMeter';
import { bluetoothMeter, METER_LINES, METER_SERVICE, serialMeter, waysToMeter } from './devices';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const has = (devices: object): void => void vi.stubGlobal('navigator', devices);
/** What a device was heard to say, and how it ended: why, or `lost` where nothing is known of it. */
function ear() {
	const [readings, ends]: [FlowReading[], string[]] = [[], []];
	return {
		readings,
		ends,
		onreading: (reading: FlowReading): void => void readings.push(reading),
		onlost: (why = 'lost'): void => void ends.push(why)
	};
}
const settled = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

beforeEach(() => void vi.spyOn(console, 'warn').mockReturnValue());
afterEach(() => {
	vi.unstubAllGlobals();
	vi.restoreAllMocks();
});

it('a browser offers the ways to a meter that it has, and says which it has not', async () => {
	has({});
	expect(waysToMeter()).toEqual([]);
	await expect(serialMeter()).rejects.toThrow('This browser has no serial ports');
	await expect(bluetoothMeter()).rejects.toThrow('This browser has no Bluetooth');
	has({ serial: {}, bluetooth: {} });
	expect(waysToMeter()).toEqual(['serial', 'bluetooth']);
});

describe('a meter on a serial port', () => {
	function port(open: () => Promise<void> = () => Promise.resolve()) {
		let from: ReadableStreamDefaultController<Uint8Array> | undefined;
		const cancel = vi.fn();
		const close = vi.fn(() => Promise.resolve());
		const readable = new ReadableStream<Uint8Array>({ start: (sender) => void (from = sender), cancel });
		has({ serial: { requestPort: () => Promise.resolve({ readable, open, close }) } });
		return {
			sends: (text: string): void => from?.enqueue(bytes(text)),
			ends: (): void => from?.close(),
			breaks: (why: string): void => from?.error(new Error(why)),
			cancel,
			close
		};
	}

	it('is read in whatever pieces its lines come; pulled out, it is lost and its port is closed', async () => {
		const [wire, heard] = [port(), ear()];
		(await serialMeter()).follow(heard.onreading, heard.onlost);
		for (const piece of ['9.9\n# pump\n412.', '63\r\n41', '2.73 6\nnonsense\n']) wire.sends(piece);
		await settled();
		expect(heard.readings).toEqual([{ shows: 412.63 }, { shows: 412.73, lpm: 6 }]);
		expect(heard.ends).toEqual([]);
		wire.ends();
		await settled();
		expect(heard.ends).toEqual(['lost']);
		expect(wire.close).toHaveBeenCalledOnce();
	});
	it('that fails says why', async () => {
		const [wire, heard] = [port(), ear()];
		(await serialMeter()).follow(heard.onreading, heard.onlost);
		wire.breaks('the cable came out');
		await settled();
		expect(heard.ends).toEqual(['the cable came out']);
	});
	it('that is not opened says why', async () => {
		const heard = ear();
		port(() => Promise.reject(new Error('another program has it')));
		(await serialMeter()).follow(heard.onreading, heard.onlost);
		await settled();
		expect(heard.ends).toEqual(['another program has it']);
	});
	it('let go of, says nothing any more and is no loss', async () => {
		const [wire, heard] = [port(), ear()];
		const letGo = (await serialMeter()).follow(heard.onreading, heard.onlost);
		await settled();
		letGo();
		await settled();
		expect(wire.cancel).toHaveBeenCalledOnce();
		expect(wire.close).toHaveBeenCalledOnce();
		expect([heard.readings, heard.ends]).toEqual([[], []]);
	});
	it('let go of while it is opened, is not read and is closed', async () => {
		let opened: () => void = () => undefined;
		const wire = port(() => new Promise((resolve) => (opened = resolve)));
		const heard = ear();
		const letGo = (await serialMeter()).follow(heard.onreading, heard.onlost);
		letGo();
		opened();
		wire.sends('1\n2\n');
		await settled();
		expect([heard.readings, heard.ends]).toEqual([[], []]);
		expect(wire.close).toHaveBeenCalledOnce();
	});
});

describe('a meter over Bluetooth', () => {
	class Told extends EventTarget {
		value: DataView | undefined;
		readonly startNotifications = vi.fn(() => Promise.resolve());
		says(text: string): void {
			this.value = new DataView(bytes(text).buffer);
			this.dispatchEvent(new Event('characteristicvaluechanged'));
		}
	}
	function meter(connected: () => Promise<void> = () => Promise.resolve()) {
		const told = new Told();
		const getCharacteristic = vi.fn(() => Promise.resolve(told));
		const getPrimaryService = vi.fn(() => Promise.resolve({ getCharacteristic }));
		const disconnect = vi.fn();
		const gatt = { connect: () => connected().then(() => ({ getPrimaryService })), disconnect };
		const device = Object.assign(new EventTarget(), { gatt });
		const requestDevice = vi.fn(() => Promise.resolve(device));
		has({ bluetooth: { requestDevice } });
		const goes = (): boolean => device.dispatchEvent(new Event('gattserverdisconnected'));
		return { told, getCharacteristic, getPrimaryService, disconnect, requestDevice, goes };
	}

	it('is asked for by its service, and read in whatever pieces its lines come; out of reach, it is lost', async () => {
		const [radio, heard] = [meter(), ear()];
		(await bluetoothMeter()).follow(heard.onreading, heard.onlost);
		await settled();
		expect(radio.requestDevice).toHaveBeenCalledWith({ filters: [{ services: [METER_SERVICE] }] });
		expect(radio.getPrimaryService).toHaveBeenCalledWith(METER_SERVICE);
		expect(radio.getCharacteristic).toHaveBeenCalledWith(METER_LINES);
		expect(radio.told.startNotifications).toHaveBeenCalledOnce();
		for (const piece of ['0\n88.1', '2\n88.3', '0 5.5\n']) radio.told.says(piece);
		expect(heard.readings).toEqual([{ shows: 88.12 }, { shows: 88.3, lpm: 5.5 }]);
		radio.goes();
		expect(heard.ends).toEqual(['lost']);
	});
	it('that can’t be connected to says why', async () => {
		const heard = ear();
		meter(() => Promise.reject(new Error('out of reach')));
		(await bluetoothMeter()).follow(heard.onreading, heard.onlost);
		await settled();
		expect(heard.ends).toEqual(['out of reach']);
	});
	it('let go of, says nothing any more and is no loss', async () => {
		const [radio, heard] = [meter(), ear()];
		const letGo = (await bluetoothMeter()).follow(heard.onreading, heard.onlost);
		await settled();
		radio.told.says('0\n');
		letGo();
		radio.told.says('88.5\n');
		radio.goes();
		expect(radio.disconnect).toHaveBeenCalledOnce();
		expect([heard.readings, heard.ends]).toEqual([[], []]);
	});
	it('let go of while it is connected to, is not kept', async () => {
		let connected: () => void = () => undefined;
		const radio = meter(() => new Promise((resolve) => (connected = resolve)));
		const heard = ear();
		const letGo = (await bluetoothMeter()).follow(heard.onreading, heard.onlost);
		letGo();
		connected();
		await settled();
		expect(radio.disconnect).toHaveBeenCalledTimes(2);
		expect(radio.told.startNotifications).not.toHaveBeenCalled();
		expect(heard.ends).toEqual([]);
	});
});
