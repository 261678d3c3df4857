import type { Service } from '../logbook/index.js';

/** What somebody found at a service on a day. */
export interface Report {
	readonly day: string;
	readonly works: boolean;
	readonly note?: string;
}

/** Services with a report of one of them; an earlier one of the same day is taken back by it. */
export const withReport = (services: readonly Service[], at: number, report: Report): readonly Service[] =>
	services.map((service, i) =>
		i === at
			? {
					...service,
					reports: [...(service.reports ?? []).filter(({ day }) => day !== report.day), report],
					...(report.works ? { verified: report.day } : {})
				}
			: service
	);
