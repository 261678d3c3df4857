import type { QuickContext } from '../context.js';
export interface Question { readonly kind: string }
export function questionIn(_text: string, _context: QuickContext): Question | undefined { return undefined; }
