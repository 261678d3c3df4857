/** Gravity, m/s². */
const G = 9.81;
/** What of the ideal jet passes a sharp-edged opening, as a share. */
const DISCHARGE = 0.62;
/** How high waste stands over its outlet when nobody says, m. */
const USUAL_HEAD_M = 0.25;
const SECONDS = 60;

/**
 * How fast water leaves an opening under a head, litres a minute: Torricelli's law with the discharge coefficient of a sharp-edged
 * orifice, Q = c · A · √(2 g h) (ISO 5167 and any textbook of hydraulics).
 *
 * @param diameterMm inside width of the valve
 */
export const outflowLpm = (diameterMm: number, headM: number = USUAL_HEAD_M): number =>
	DISCHARGE * (Math.PI / 4) * (diameterMm / 1000) ** 2 * Math.sqrt(2 * G * headM) * 1000 * SECONDS;

/**
 * How long some litres take to run out as the head falls to nothing, minutes: in a tank of straight walls twice as long as at the
 * flow that they begin with.
 */
export const drainMinutes = (litres: number, diameterMm: number, headM: number = USUAL_HEAD_M): number =>
	(2 * litres) / outflowLpm(diameterMm, headM);
