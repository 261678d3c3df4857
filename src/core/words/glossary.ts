/** Our own words, each in one sentence with what to do. */
export const GLOSSARY = {
	usable:
		'The litres you can really draw or let in, which are fewer than the rated size: find them with a trial on the tank’s page.',
	'rated size': 'The litres the maker gives for a tank: enter them first, then measure what is usable.',
	reserve:
		'Fresh water you never plan to use: set it in the tank’s form, and everything counts down to it, not to empty.',
	headroom:
		'Space you keep free in a waste tank or a container so that nothing spills: set it in its form, and plans dump before it is used.',
	'time left':
		'How long you can stay before the first tank runs low or fills up: tap a level to see why, and log what you use to sharpen it.',
	spare:
		'A full jug or cassette behind the one in use: enter “swap jug” when you change it; until then it counts in the time left.',
	dipstick:
		'A stick that you hold in the tank and read where it is wet: enter the depth, as in “dipstick 118”, and the tank’s shape gives the litres.',
	tilt: 'How far the rig is from level, in degrees: enter it with a depth, as in “dipstick 118 tilt 2”, or level the rig before you read.',
	'seen full':
		'What you saw yourself, such as an overflow or a pump sucking air: enter it as “full grey”, and the tank’s estimate starts from there.',
	calibration:
		'The litres that each reading of a gauge means: learn it from your log, or from a step-by-step trial on the gauge’s page.',
	range:
		'Where the true figure is 9 times in 10: read a meter, or see a tank full or empty, to make it narrower.',
	'unlogged use':
		'Water that went without an entry, as your readings show: log more to see where it goes, or leave it, as every forecast counts it.',
	'way to save':
		'Something you might do to use less water: switch it on in Habits while you do it, and the forecast counts it.',
	effort:
		'How much trouble a way to save is to you, from 0 to 5: change it as you feel it, as the easiest way goes by it.',
	tote: 'A wheeled waste tank that you take to the drain by hand: add it to the containers in Rig, and a dump run gives the loads.',
	'plan style':
		'A rule for when to fill and dump, such as topping up whenever you can: compare them under the plan in Trip, and choose one.',
	'falls short':
		'What a plan does when a tank would run low or fill up before you can fill or dump: try what would fix it, under the plan.',
	void: 'An entry that no longer counts but is not erased: tick “show voided” in the ledger to restore it.'
} as const;

/** A word of the glossary. */
export type Word = keyof typeof GLOSSARY;
