/** Litres that passed between two showings. */
export interface Step {
	readonly fromMs: number;
	readonly toMs: number;
	readonly litres: number;
}
