import { informationGain as gain, type InformationShares } from '$core/estimate';
import { question } from '../../question';

/** From where the litres of one time of a habit are known. */
const informationGain = question({
	answer: ({ estimate }, habit: string): InformationShares | undefined => gain(estimate(), habit)
});

declare module '../../question' {
	interface Questions {
		'habits/informationGain': typeof informationGain;
	}
}

export default informationGain;
