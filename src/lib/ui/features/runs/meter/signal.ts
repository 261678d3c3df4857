/** How near a fill is to its mark. */
export type StopNearness = 'far' | 'near' | 'there';

/** So much to go is worth a warning, litres. */
export const NEAR_L = 5;

/** How near it is, by the litres still to go. */
export const nearnessOf = (toGoL: number): StopNearness =>
	toGoL <= 0 ? 'there' : toGoL <= NEAR_L ? 'near' : 'far';

const TONES: Readonly<Record<Exclude<StopNearness, 'far'>, { hertz: number; times: number }>> = {
	near: { hertz: 660, times: 1 },
	there: { hertz: 990, times: 3 }
};
const TONE_S = 0.18;
const GAP_S = 0.12;
let audio: AudioContext | undefined;

/** Wakes the sound up: a browser lets it sound only after a touch. */
export function readyToSound(): void {
	if (typeof AudioContext === 'undefined') return;
	audio ??= new AudioContext();
	void audio.resume();
}

/** A tone and a shake. Where the device has neither, the screen that is turned over says it. */
export function signal(nearness: Exclude<StopNearness, 'far'>): void {
	const { hertz, times } = TONES[nearness];
	navigator.vibrate?.(Array.from({ length: 2 * times - 1 }, (_, i) => (i % 2 === 0 ? 200 : 100)));
	if (!audio) return;
	for (let i = 0; i < times; i++) {
		const at = audio.currentTime + i * (TONE_S + GAP_S);
		const oscillator = audio.createOscillator();
		const gain = audio.createGain();
		oscillator.frequency.value = hertz;
		gain.gain.setValueAtTime(0.25, at);
		gain.gain.exponentialRampToValueAtTime(1e-3, at + TONE_S);
		oscillator.connect(gain).connect(audio.destination);
		oscillator.start(at);
		oscillator.stop(at + TONE_S);
	}
}

/** Litres in a US and an imperial gallon are counted down by the one. */
const COUNTED: Readonly<
	Record<'L' | 'usGal' | 'impGal', readonly (readonly [litres: number, says: string])[]>
> = {
	L: [
		[5, 'Five litres to go'],
		[4, 'Four'],
		[3, 'Three'],
		[2, 'Two'],
		[1, 'One']
	],
	usGal: [[3.785, 'One gallon to go']],
	impGal: [[4.546, 'One gallon to go']]
};
const STOP = 'Stop now';

/** What is said aloud with so much to go: the last litres one by one, and the end; nothing before. */
export const spokenAt = (toGoL: number, volume: 'L' | 'usGal' | 'impGal'): string | undefined =>
	toGoL <= 0 ? STOP : COUNTED[volume].findLast(([litres]) => toGoL <= litres)?.[1];

/** Says something aloud, where the device can; what it was saying gives way. */
export function speak(text: string): void {
	if (typeof speechSynthesis === 'undefined') return;
	speechSynthesis.cancel();
	const said = new SpeechSynthesisUtterance(text);
	said.lang = 'en';
	speechSynthesis.speak(said);
}
