import type { Service } from './types.js';

/** What is written where a service is shut until further notice: frozen, out of order. */
export const SHUT = 'off';

/** Whether a service is shut until further notice: it serves nobody. */
export const isShut = ({ open }: Pick<Service, 'open'>): boolean =>
	open !== undefined && /^\s*(off|closed)\s*$/i.test(open);
