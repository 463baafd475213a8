/**
 * The Beta distribution, as far as the learner model asks: its quantiles, by Halley steps over the
 * regularised incomplete beta function (Lentz's continued fraction), held in a bracket that every
 * step narrows. A handful of steps where bisection takes fifty: paths ask for hundreds at once.
 */
const LANCZOS = [
  676.5203681218851, -1259.1392167224028, 771.3234287776531, -176.6150291621406, 12.507343278686905,
  -0.13857109526572012, 9.984369578019572e-6, 1.5056327351493116e-7,
] as const;

function logGamma(x: number): number {
  if (x < 0.5) return Math.log(Math.PI / Math.sin(Math.PI * x)) - logGamma(1 - x);
  const shifted = x - 1;
  const sum = LANCZOS.reduce((total, c, i) => total + c / (shifted + i + 1), 0.9999999999998099);
  const t = shifted + LANCZOS.length - 0.5;
  return 0.5 * Math.log(2 * Math.PI) + (shifted + 0.5) * Math.log(t) - t + Math.log(sum);
}

function continuedFraction(x: number, a: number, b: number): number {
  const tiny = 1e-300;
  const away = (value: number) => (Math.abs(value) < tiny ? tiny : value);
  let c = 1;
  let d = 1 / away(1 - ((a + b) * x) / (a + 1));
  let result = d;
  for (let m = 1; m <= 300; m += 1) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    d = 1 / away(1 + even * d);
    c = away(1 + even / c);
    result *= d * c;
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / away(1 + odd * d);
    c = away(1 + odd / c);
    result *= d * c;
    if (Math.abs(d * c - 1) < 1e-14) break;
  }
  return result;
}

/** ln B(a, b), a and b above 0. */
export function logBeta(a: number, b: number): number {
  return logGamma(a) + logGamma(b) - logGamma(a + b);
}

function cdf(x: number, a: number, b: number, factor: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  const front = Math.exp(factor + a * Math.log(x) + b * Math.log1p(-x));
  return x < (a + 1) / (a + b + 2)
    ? (front * continuedFraction(x, a, b)) / a
    : 1 - (front * continuedFraction(1 - x, b, a)) / b;
}

/** P(X ≤ x) for X ~ Beta(a, b), a and b above 0. */
export function betaCdf(x: number, a: number, b: number): number {
  return cdf(x, a, b, -logBeta(a, b));
}

/** Far more than are ever taken: a bracket that only halved would be this narrow by then. */
const MOST_STEPS = 400;
const CLOSE = 1e-13;

/** The x with P(X ≤ x) = `probability` for X ~ Beta(a, b), to 1e-12. */
export function betaQuantile(probability: number, a: number, b: number): number {
  const factor = -logBeta(a, b);
  let low = 0;
  let high = 1;
  let x = a / (a + b);
  for (let step = 0; step < MOST_STEPS; step += 1) {
    const off = cdf(x, a, b, factor) - probability;
    if (off < 0) low = x;
    else high = x;
    const density = Math.exp(factor + (a - 1) * Math.log(x) + (b - 1) * Math.log1p(-x));
    const newton = off / density;
    const bend = 1 - 0.5 * Math.min(1, newton * ((a - 1) / x - (b - 1) / (1 - x)));
    const next = x - newton / bend;
    const inside = next > low && next < high ? next : (low + high) / 2;
    if (Math.abs(inside - x) <= CLOSE * inside || high - low <= CLOSE * high) return inside;
    x = inside;
  }
  return x;
}
