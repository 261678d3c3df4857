/** How the ribbon of a trip is read. */
export const READ_RIBBON =
	'Point, or use the arrow keys, to read all tanks at a moment. Hatching: 9-in-10 range; at an edge, reserve or headroom.';

/** How the chart of a tank's past is read. */
export const sayReadPast = (fresh: boolean): string =>
	`Thick: the level by everything known, later readings too. Shaded: 9-in-10 range. Rings: readings; crosses: readings left out. Steps: fills and dumps. Dashed: ${fresh ? 'the reserve' : 'headroom'}.`;

/** How the chart of a tank's days ahead is read, and what it assumes. */
export const READ_AHEAD =
	'As you live now, nothing filled and nothing dumped; people, heat and hook-ups as on the trip. Shaded: 8-in-10 range.';

/** How the chart of a gauge's calibration is read. */
export const READ_CALIBRATION =
	'Rings: readings beside a level known from everything but this gauge. Crosses: doubted readings, left out. Dashed: the calibration learned from the rings.';

/** How the map is to be taken. */
export const NOT_FOR_NAVIGATION =
	'Not for navigation. Coasts at 1:50 million; the demo’s island and skerries are invented.';
