/** More than a rig and a trip have names. */
const MOST = 3000;

/** A pure function of a text that remembers what it made; it begins anew when that is much. */
export function remembered<T>(make: (text: string) => T): (text: string) => T {
	const made = new Map<string, T>();
	return (text) => {
		const known = made.get(text);
		if (known !== undefined) return known;
		if (made.size >= MOST) made.clear();
		const next = make(text);
		made.set(text, next);
		return next;
	};
}
