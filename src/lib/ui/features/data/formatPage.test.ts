import { expect, it } from 'vitest';
import { CSV_TABLES, recordTables, TAG_ROWS } from './formatPage';
import { readTags } from '$core/formats';

it('tells of every record and each of its fields, from the schema that validates', () => {
	const tables = new Map(recordTables().map(({ name, fields }) => [name, fields]));
	expect(tables.get('Tank')?.find(({ name }) => name === 'nominalL')).toMatchObject({ needed: true });
	expect(tables.get('Stop')?.find(({ name }) => name === 'arrive')?.holds).toBe('instant with offset');
	expect(tables.get('Point')?.find(({ name }) => name === 'position')?.holds).toMatch(/^\[number/);
	expect(tables.get('Entry: fill')?.find(({ name }) => name === 'to')).toMatchObject({
		needed: false,
		holds: '"full"'
	});
	expect(tables.has('Instrument: meter')).toBe(true);
	expect([...tables.values()].every((fields) => fields.length > 1)).toBe(true);
	expect(CSV_TABLES[0].columns).toContain('litres');
});

it('says of tags only what is read', () => {
	for (const [tags] of TAG_ROWS.slice(0, 6)) {
		const [key = '', value = ''] = (tags.split(',')[0] ?? '').split('=');
		expect(readTags({ [key]: value }).services.length, tags).toBeGreaterThan(0);
	}
});
