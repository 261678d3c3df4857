/** A piece of a sentence; `mind` is what to mind, `strong` what the eye should find. */
export interface Span {
	readonly text: string;
	readonly tone?: 'mind' | 'strong';
}

/** A piece without a tone. */
export const plain = (text: string): Span => ({ text });
/** What to mind. */
export const mind = (text: string): Span => ({ text, tone: 'mind' });
/** What the eye should find. */
export const strong = (text: string): Span => ({ text, tone: 'strong' });

/** The text of spans without their tones. */
export const spanText = (spans: readonly Span[]): string => spans.map(({ text }) => text).join('');
