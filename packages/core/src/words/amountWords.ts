/** An amount as people say it: "7 ml", "0.4 ml", "1.2 l". */
export function sayMl(ml: number): string {
  if (ml >= 1000) return `${Number((ml / 1000).toFixed(1))} l`;
  return `${ml >= 10 ? Math.round(ml) : Number(ml.toFixed(1))} ml`;
}
