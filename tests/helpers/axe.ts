import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';

interface Looked {
	/** only within this selector */
	readonly within?: string;
	/** only these rules */
	readonly rules?: readonly string[];
}

/** What breaks the rules of accessibility on a page as it is: the rule and what breaks it. */
export async function violationsOf(page: Page, { within, rules }: Looked = {}): Promise<readonly string[]> {
	// In the page itself, which has no frames, and with details of nothing but violations: in half the time.
	const axe = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] });
	if (within) axe.include(within);
	if (rules) axe.withRules([...rules]);
	const { violations } = await axe.analyze();
	return violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html).join(' | ')}`);
}
