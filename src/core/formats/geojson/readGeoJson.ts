import { parseStop } from '../../logbook/index.js';
import { Findings, quoted, type Imported, type ReadingContext } from '../imported.js';
import type { LatLon } from '../../places/index.js';
import { OWN, takePlace, wrongPlace } from '../tags/exact.js';
import type { Tags } from '../tags/openMapTags.js';
import { centreOf } from './centre.js';

type Fields = Readonly<Record<string, unknown>>;
const isFields = (value: unknown): value is Fields =>
	typeof value === 'object' && value !== null && !Array.isArray(value);

const POSITION = 'a position [longitude, latitude]';
const asPlace = (value: unknown): LatLon | undefined =>
	Array.isArray(value) && typeof value[0] === 'number' && typeof value[1] === 'number'
		? [value[0], value[1]]
		: undefined;

/** Tags are the properties that are texts, numbers or yes and no. */
const tagsIn = (properties: Fields): Tags =>
	Object.fromEntries(
		Object.entries(properties)
			.filter(([, value]) => ['string', 'number', 'boolean'].includes(typeof value))
			.map(([key, value]) => [key, value === true ? 'yes' : value === false ? 'no' : String(value)])
	);

const textIn = (value: unknown): string | undefined =>
	typeof value === 'string' ? value : typeof value === 'number' ? String(value) : undefined;

const STEP = 5000;

/** Reads the features of a GeoJSON (RFC 7946): points become points, lines the track; an area its middle. */
class FeatureReader {
	readonly #findings: Findings;
	readonly #seen = new Set<string>();

	constructor(findings: Findings) {
		this.#findings = findings;
	}

	take(value: unknown, path: string): void {
		if (!isFields(value))
			return this.#findings.wrong(path, 'a GeoJSON object', quoted(JSON.stringify(value) ?? ''));
		const { type } = value;
		if (type === 'FeatureCollection') {
			if (!Array.isArray(value.features))
				return this.#findings.wrong(`${path}.features`, 'a list of features', 'none');
			value.features.forEach((feature, i) => this.take(feature, `${path}.features[${i}]`));
		} else if (type === 'Feature') {
			const properties = isFields(value.properties) ? value.properties : {};
			if (value.geometry === null) this.#findings.wrong(`${path}.geometry`, 'a geometry', 'null: no place');
			else
				this.#geometry(
					value.geometry,
					`${path}.geometry`,
					properties,
					textIn(value.id) ?? textIn(properties['@id'])
				);
		} else this.#geometry(value, path, {}, undefined);
	}

	#geometry(geometry: unknown, path: string, properties: Fields, id: string | undefined): void {
		if (!isFields(geometry))
			return this.#findings.wrong(path, 'a geometry', quoted(JSON.stringify(geometry) ?? 'nothing'));
		const { type, coordinates } = geometry;
		const list = Array.isArray(coordinates) ? coordinates : [];
		switch (type) {
			case 'Point':
				return this.#place(coordinates, `${path}.coordinates`, properties, id);
			case 'MultiPoint':
				return list.forEach((one, i) =>
					this.#place(one, `${path}.coordinates[${i}]`, properties, id && i > 0 ? `${id}/${i}` : id)
				);
			case 'LineString':
				return this.#line(list, `${path}.coordinates`);
			case 'MultiLineString':
				return list.forEach((line: unknown, i) =>
					this.#line(Array.isArray(line) ? line : [], `${path}.coordinates[${i}]`)
				);
			case 'Polygon':
			case 'MultiPolygon': {
				const centre = centreOf(geometry);
				if (!centre) return this.#findings.wrong(`${path}.coordinates`, 'the rings of an area', 'no rings');
				return this.#place(centre, `${path}.coordinates`, properties, id);
			}
			case 'GeometryCollection':
				return (Array.isArray(geometry.geometries) ? geometry.geometries : []).forEach((one: unknown, i) =>
					this.#geometry(one, `${path}.geometries[${i}]`, properties, id && i > 0 ? `${id}/${i}` : id)
				);
			default:
				return this.#findings.wrong(
					`${path}.type`,
					'FeatureCollection, Feature, or a geometry of RFC 7946',
					quoted(String(type))
				);
		}
	}

	#place(coordinates: unknown, path: string, properties: Fields, id: string | undefined): void {
		const position = asPlace(coordinates);
		if (!position)
			return this.#findings.wrong(path, POSITION, quoted(JSON.stringify(coordinates) ?? 'nothing'));
		const own = isFields(properties[OWN]) ? properties[OWN] : {};
		if (isFields(own.stop)) {
			const read = parseStop({ ...own.stop, position: [...position] });
			if (read.ok) this.#findings.stops.push(read.value);
			else for (const { expected, got } of read.problems) this.#findings.wrong(path, expected, got);
			return;
		}
		takePlace(
			this.#findings,
			{ path, position, name: textIn(properties.name), tags: tagsIn(properties), id, own: own.point },
			this.#seen
		);
	}

	#line(list: readonly unknown[], path: string): void {
		if (list.length < 2) this.#findings.wrong(path, 'two positions or more', `${list.length}`);
		list.forEach((one, i) => {
			const place = asPlace(one);
			const wrong = place ? wrongPlace(...place) : quoted(JSON.stringify(one) ?? 'nothing');
			if (place && wrong === undefined) this.#findings.track.push(place);
			else this.#findings.wrong(`${path}[${i}]`, POSITION, wrong ?? 'nothing');
		});
	}
}

/** Reads GeoJSON (RFC 7946). */
export function readGeoJson(text: string, { onprogress }: ReadingContext): Imported {
	const findings = new Findings();
	let data: unknown;
	try {
		data = JSON.parse(text.replace(/^\ufeff/, ''));
	} catch (error) {
		findings.wrong('$', 'GeoJSON', error instanceof Error ? error.message : String(error));
		return findings.ended;
	}
	const reader = new FeatureReader(findings);
	if (isFields(data) && data.type === 'FeatureCollection' && Array.isArray(data.features))
		data.features.forEach((feature, i, { length }) => {
			if (i % STEP === 0) onprogress?.(i / length);
			reader.take(feature, `$.features[${i}]`);
		});
	else reader.take(data, '$');
	return findings.ended;
}
