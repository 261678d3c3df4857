const WAIT_MS = 1000;

/**
 * Comes when the typefaces that ship are at hand, or have taken too long. Words that are set in another face first
 * move when their own arrives, and a finger that is already on its way misses what it aimed at.
 */
export const fontsReady = (): Promise<unknown> =>
	Promise.race([
		Promise.allSettled(
			['Bricolage Grotesque', 'Atkinson Hyperlegible Next'].map((face) =>
				document.fonts.load(`1em '${face} Variable'`)
			)
		),
		new Promise((resolve) => setTimeout(resolve, WAIT_MS))
	]);
