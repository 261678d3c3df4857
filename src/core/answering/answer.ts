/** What a question of the quick line is answered with; ids are of the rig and the trip, litres and days as the views show them. */
export interface Answer {
	readonly kind: 'level' | 'lasts' | 'enough' | 'left' | 'cost' | 'used' | 'last' | 'next' | 'drink';
	/** the answer in a sentence or two, with its figure and its doubt */
	readonly says: string;
	readonly tank?: string;
	readonly habit?: string;
	/** litres: in it, it takes, it cost, used */
	readonly litres?: number;
	/** days it lasts, or since it was done, or until one is there */
	readonly days?: number;
	/** hours of the stay */
	readonly hours?: number;
	readonly times?: number;
	readonly enough?: boolean;
	/** how sure that is, 0 … 1 */
	readonly chance?: number;
	/** the instant until which it lasts, at which it was done, or at which one is there */
	readonly at?: string;
	readonly stop?: string;
}

/** Where in the application the answer's figures stand, and what leads there. */
export interface Act {
	readonly href: string;
	readonly label: string;
}

/** An answer with the one act beside it. */
export interface Answered {
	readonly answer: Answer;
	readonly act: Act;
}
