/** Natural logarithm of the gamma function (Lanczos 1964, g = 7, n = 9) to 1e-14 or so, x above 0. */
export function lnGamma(x: number): number {
	const c = [
		0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059,
		12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7
	];
	const z = x - 1;
	const t = z + 7.5;
	let sum = c[0] as number;
	for (let i = 1; i < c.length; i++) sum += (c[i] as number) / (z + i);
	return 0.5 * Math.log(2 * Math.PI) + (z + 0.5) * Math.log(t) - t + Math.log(sum);
}
