/** The parts of the package that are used: its own types bring those of Node with them, and the core has none. */
declare const Papa: {
	parse<T>(
		text: string,
		options: {
			readonly delimiter: string;
			readonly preview?: number;
			readonly step?: (row: {
				readonly data: T;
				readonly errors: readonly { readonly code?: string; readonly message: string }[];
				readonly meta: { readonly cursor: number };
			}) => void;
		}
	): { readonly data: readonly T[] };
	unparse(
		table: { readonly fields: readonly string[]; readonly data: readonly (readonly unknown[])[] },
		options: { readonly escapeFormulae: RegExp; readonly delimiter: string; readonly newline: string }
	): string;
};
export default Papa;
