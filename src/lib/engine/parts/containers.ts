import type { Estimate } from '$core/estimate';
import type { Container } from '$core/logbook';
import { hoseLitres, USUAL_WASTE_HOSE, type Hose } from '$core/rig';

/** The waste hose of a rig, metres; a usual one where nobody has said, none where it is 0. */
export interface WithHose {
	readonly hoseM?: number | undefined;
}
/** The waste hose that is meant. */
export const hoseOf = ({ hoseM = USUAL_WASTE_HOSE.lengthM }: WithHose): Hose => ({
	...USUAL_WASTE_HOSE,
	lengthM: hoseM
});

/** With less than this nobody carries anything, litres. */
const LEAST_L = 0.5;
/** The containers of a rig that something can be carried in. */
export const containersOf = ({ model }: Estimate): readonly Container[] =>
	model.rig.containers.filter(
		({ retired, count, capacityL, headroomL }) => !retired && count > 0 && capacityL - headroomL >= LEAST_L
	);

/** What is smaller than the hose's content is not filled by it, but poured into. */
export const hoseInto = ({ capacityL }: Container, hose: Hose): Hose =>
	hoseLitres(hose) < capacityL ? hose : { ...hose, lengthM: 0 };
