export { readOpenFileIn, type OpenReading } from './client';
export { decoded } from './decode';
export { readOpenFile, type Beside, type FoundWay, type OpenFile } from './openFile';
export { entriesNew, fateProposed, looksSwapped, standingOf, type Fate, type Standing } from './sorted';
export { mergedStop, tripOf, withStops } from './stopsInto';
