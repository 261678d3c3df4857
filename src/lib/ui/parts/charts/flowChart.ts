import type { DayFlow, End } from '$core/habits';
import type { Rig } from '$core/logbook';
import { tankById } from '$core/rig';
import { formatFigure, fromBase, unitSymbol, type UnitChoice } from '$core/units';
import { escaped, type ChartOption, type ChartTokens } from '../../kit/charts/chartTheme';

interface Shown {
	readonly rig: Rig;
	readonly flows: readonly DayFlow[];
	readonly units: UnitChoice;
}

/** Four columns with their names need more than this. */
const NARROW_PX = 600;

/** An end of the water's way, as it is called. */
export function nameOfEnd(rig: Rig, end: End): string {
	switch (end.kind) {
		case 'tank':
			return tankById(rig, end.id)?.name ?? end.id;
		case 'source':
			return rig.sources?.find(({ id }) => id === end.id)?.name ?? end.id;
		case 'mains':
			return 'Hook-up';
		case 'elsewhere':
			return 'From elsewhere';
		case 'beside':
			return 'Not water';
		case 'gone':
			return 'Drunk or boiled off';
		case 'ground':
			return 'Ground';
		case 'overboard':
			return 'Overboard';
		case 'sewer':
			return 'Sewer';
	}
}

const keyOf = (side: string, end: End): string => `${side}|${end.kind}|${end.kind === 'tank' ? end.id : ''}`;

interface Node {
	readonly name: string;
	readonly shows: string;
	readonly colour: keyof Pick<ChartTokens, 'fresh' | 'grey' | 'black' | 'ink' | 'line'>;
	readonly depth: number;
}

/**
 * The nodes and links of a day's water: from tank through outlet and habit to waste.
 *
 * @param narrow there is no room for the outlets: from tank through habit to waste
 */
export function nodesAndLinks(
	{ rig, flows }: Omit<Shown, 'units'>,
	narrow: boolean
): {
	readonly nodes: readonly Node[];
	readonly links: readonly { readonly source: string; readonly target: string; readonly litres: number }[];
} {
	const nodes = new Map<string, Node>();
	const links = new Map<string, { source: string; target: string; litres: number }>();
	const node = (name: string, shows: string, depth: number, colour: Node['colour']): string => {
		nodes.set(name, { name, shows, depth, colour });
		return name;
	};
	const link = (source: string, target: string, litres: number): void => {
		const key = `${source}→${target}`;
		const before = links.get(key)?.litres ?? 0;
		links.set(key, { source, target, litres: before + litres });
	};
	const colourOf = (end: End): Node['colour'] =>
		end.kind === 'tank' ? (tankById(rig, end.id)?.holds ?? 'ink') : end.kind === 'mains' ? 'fresh' : 'line';
	for (const { from, outlet, habit, to, litres } of flows) {
		const start = node(keyOf('from', from), nameOfEnd(rig, from), 0, colourOf(from));
		const through = narrow ? undefined : rig.outlets.find(({ id }) => id === outlet);
		const at = through ? node(`outlet|${outlet}`, through.name, 1, 'ink') : undefined;
		const what = node(
			`habit|${habit ?? ''}`,
			rig.habits.find(({ id }) => id === habit)?.name ?? 'In no habit',
			narrow ? 1 : 2,
			'ink'
		);
		const end = node(keyOf('to', to), nameOfEnd(rig, to), narrow ? 2 : 3, colourOf(to));
		// What a body adds comes through no outlet.
		if (at && from.kind !== 'beside') {
			link(start, at, litres);
			link(at, what, litres);
		} else link(start, what, litres);
		link(what, end, litres);
	}
	return { nodes: [...nodes.values()], links: [...links.values()] };
}

/** Where the litres of a day go. */
export function flowChart({
	rig,
	flows,
	units
}: Shown): (tokens: ChartTokens, widthPx: number) => ChartOption {
	const say = (litres: number): string =>
		`${formatFigure(fromBase(litres, units.volume))} ${unitSymbol(units.volume)}`;
	interface Hovered {
		readonly dataType: 'node' | 'edge';
		readonly name: string;
		readonly value: number;
		readonly data: { readonly source?: string; readonly target?: string };
	}
	return (tokens, widthPx) => {
		const narrow = widthPx < NARROW_PX;
		const { nodes, links } = nodesAndLinks({ rig, flows }, narrow);
		const shown = new Map(nodes.map(({ name, shows }) => [name, shows]));
		const colours = new Map(nodes.map(({ name, colour }) => [name, colour]));
		const of = (name: string): string => escaped(shown.get(name) ?? name);
		return {
			tooltip: {
				trigger: 'item',
				formatter: ({ dataType, name, value, data }: Hovered) =>
					dataType === 'edge'
						? `${of(data.source ?? '')} → ${of(data.target ?? '')}: ${say(value)} a day`
						: `${of(name)}: ${say(value)} a day`
			},
			series: [
				{
					type: 'sankey',
					left: 4,
					right: narrow ? 104 : 116,
					top: 8,
					bottom: 8,
					nodeWidth: 12,
					nodeGap: 12,
					draggable: false,
					layoutIterations: 32,
					emphasis: { focus: 'adjacency' },
					lineStyle: { opacity: 0.32 },
					label: {
						color: tokens.ink,
						fontFamily: tokens.font,
						fontSize: narrow ? 12 : 13,
						formatter: ({ name, value }: { name: string; value: number }) =>
							`${shown.get(name) ?? name} ${say(value)}`
					},
					data: nodes.map(({ name, depth, colour }) => ({
						name,
						depth,
						itemStyle: { color: tokens[colour], borderWidth: 0 }
					})),
					// Blue until it is used, then the colour of where it goes.
					links: links.map(({ source, target, litres }) => ({
						source,
						target,
						value: litres,
						lineStyle: {
							color: tokens[source.startsWith('habit') ? (colours.get(target) ?? 'ink') : 'fresh']
						}
					}))
				}
			]
		};
	};
}
