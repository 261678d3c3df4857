declare module 'jstat' {
	/** The part of the package that is used here; it ships no types. */
	interface Statistics {
		readonly studentt: {
			/** the p quantile of Student's t with so many degrees of freedom */
			inv(p: number, dof: number): number;
		};
	}
	const jStat: Statistics;
	export default jStat;
}
