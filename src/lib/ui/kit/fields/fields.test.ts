import { expect, it } from 'vitest';
import { fieldValueAt, withValue } from './fields';

it('reads and puts values at dotted paths, keeping all else', () => {
	const habit = { name: 'Shower', litresEach: { mean: 8, sd: 2, colour: 'blue' }, mood: 1 };
	expect(fieldValueAt(habit, 'litresEach.mean')).toBe(8);
	expect(fieldValueAt(habit, 'often.times')).toBeUndefined();
	expect(withValue(habit, 'litresEach.mean', 9)).toEqual({
		...habit,
		litresEach: { mean: 9, sd: 2, colour: 'blue' }
	});
	expect(withValue(habit, 'often.times', 2)).toEqual({ ...habit, often: { times: 2 } });
	expect(withValue(habit, 'mood', undefined)).toEqual({ name: 'Shower', litresEach: habit.litresEach });
	expect(habit.litresEach.mean).toBe(8);
});

it('what holds nothing any more is taken out, too', () => {
	const stop = { name: 'Ford', weather: { maxC: 30 } };
	expect(withValue(stop, 'weather.maxC', undefined)).toEqual({ name: 'Ford' });
	expect(withValue({ ...stop, weather: { maxC: 30, minC: 9 } }, 'weather.maxC', undefined)).toEqual({
		name: 'Ford',
		weather: { minC: 9 }
	});
});
