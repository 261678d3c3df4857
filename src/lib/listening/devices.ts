import { errorMessage } from '$lib/errorMessage';
import type { FlowMeter } from '$lib/standins/flowMeter';
import { MeterLines } from './meterLines';

/** What is used of a serial port (Web Serial, WICG draft): the browser's types do not have it yet. */
interface SerialPortLike {
	readonly readable: ReadableStream<Uint8Array> | null;
	open(options: { readonly baudRate: number }): Promise<void>;
	close(): Promise<void>;
}
interface SerialLike {
	requestPort(): Promise<SerialPortLike>;
}

/** What is used of Bluetooth (Web Bluetooth, W3C community group report). */
interface CharacteristicLike extends EventTarget {
	readonly value?: DataView;
	startNotifications(): Promise<unknown>;
}
interface BluetoothDeviceLike extends EventTarget {
	readonly gatt?: {
		connect(): Promise<{
			getPrimaryService(id: string): Promise<{ getCharacteristic(id: string): Promise<CharacteristicLike> }>;
		}>;
		disconnect(): void;
	};
}
interface BluetoothLike {
	requestDevice(options: {
		readonly filters: readonly { readonly services: readonly string[] }[];
	}): Promise<BluetoothDeviceLike>;
}

/** How a meter that sends lines is reached over Bluetooth: docs/flow-meter.md. */
export const METER_SERVICE = '7d1b0001-5a0c-4c1e-9a36-0d6d65746572';
export const METER_LINES = '7d1b0002-5a0c-4c1e-9a36-0d6d65746572';
export const BAUD_RATE = 115_200;

const serial = (): SerialLike | undefined => (navigator as { readonly serial?: SerialLike }).serial;
const bluetooth = (): BluetoothLike | undefined =>
	(navigator as { readonly bluetooth?: BluetoothLike }).bluetooth;

/** The ways to a real meter that this browser has. */
export const waysToMeter = (): readonly ('serial' | 'bluetooth')[] => [
	...(serial() ? (['serial'] as const) : []),
	...(bluetooth() ? (['bluetooth'] as const) : [])
];

/** Asks for a serial port; a meter that sends lines is on its other end. It is asked for by a tap alone. */
export async function serialMeter(): Promise<FlowMeter> {
	const port = await serial()?.requestPort();
	if (!port) throw new Error('This browser has no serial ports');
	return {
		follow(onreading, onlost) {
			let ended = false;
			let reader: ReadableStreamDefaultReader<Uint8Array> | undefined;
			async function read(to: SerialPortLike): Promise<void> {
				await to.open({ baudRate: BAUD_RATE });
				reader = to.readable?.getReader();
				const lines = new MeterLines();
				const decoder = new TextDecoder();
				// Let go of while it was being opened, it is not read at all.
				while (!ended) {
					const part = await reader?.read();
					if (!part || part.done) break;
					lines.take(decoder.decode(part.value, { stream: true })).forEach(onreading);
				}
			}
			read(port)
				.then(
					() => (ended ? undefined : onlost()),
					(error: unknown) => (ended ? undefined : onlost(errorMessage(error)))
				)
				.finally(() => {
					reader?.releaseLock();
					port.close().catch((error: unknown) => console.warn('The port was closed already:', error));
				});
			return () => {
				ended = true;
				void reader?.cancel();
			};
		}
	};
}

/** Asks for a Bluetooth device that offers the service of meters. It is asked for by a tap alone. */
export async function bluetoothMeter(): Promise<FlowMeter> {
	const device = await bluetooth()?.requestDevice({ filters: [{ services: [METER_SERVICE] }] });
	const gatt = device?.gatt;
	if (!device || !gatt) throw new Error('This browser has no Bluetooth');
	return {
		follow(onreading, onlost) {
			let ended = false;
			const lost = (why?: string): void => (ended ? undefined : onlost(why));
			const lines = new MeterLines();
			const decoder = new TextDecoder();
			device.addEventListener('gattserverdisconnected', () => lost());
			async function listen(): Promise<void> {
				const server = await gatt?.connect();
				// Let go of while it was being connected to.
				if (ended) return gatt?.disconnect();
				const service = await server?.getPrimaryService(METER_SERVICE);
				const told = await service?.getCharacteristic(METER_LINES);
				told?.addEventListener('characteristicvaluechanged', () => {
					if (told.value && !ended)
						lines.take(decoder.decode(told.value, { stream: true })).forEach(onreading);
				});
				await told?.startNotifications();
			}
			listen().catch((error: unknown) => lost(errorMessage(error)));
			return () => {
				ended = true;
				gatt.disconnect();
			};
		}
	};
}
