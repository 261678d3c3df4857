/** A sum of money, in the money of the fees: `12`, `3.5`, `0.25`. */
export const formatMoney = (sum: number): string => String(Number(sum.toFixed(2)));
