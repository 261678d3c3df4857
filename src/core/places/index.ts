export { hoursFromWords, sayHours } from './hoursInWords.js';
export { kmBetween, unwrapped, type LatLon } from './sphere.js';
export { nearestOn, placeAlong, thinned, wayThrough, type OnWay, type Route } from './way.js';
export { legsAlong, wayOf, withWay, type LegAlong } from './legs.js';
export { kmTo, nearPlace, nearWay, wayAhead, waysAt, whereAt, type NearPoint } from './along.js';
export { joined, namedAlike, twinOf, twins } from './twins.js';
export { parsePlace, placeText, wrapped } from './coordinates.js';
export { seenOn, toConfirm, type Visit } from './visits.js';
export { atPoint, hasStrayed, pointFrom } from './copies.js';
