/** Median of the times, in milliseconds, of calls that take turns, so that both meet the same machine. */
import { readFileSync } from "node:fs";
export async function medianTimes(calls, { rounds, warmUp = 20 }) {
  const names = Object.keys(calls);
  const times = Object.fromEntries(names.map((name) => [name, []]));
  for (let round = -warmUp; round < rounds; round += 1) {
    for (const name of names) {
      const started = performance.now();
      await calls[name]();
      if (round >= 0) times[name].push(performance.now() - started);
    }
  }
  return Object.fromEntries(names.map((name) => [name, median(times[name])]));
}

export function median(values) {
  const sorted = [...values].sort((one, other) => one - other);
  return sorted[Math.floor(sorted.length / 2)];
}

/** Prints one figure as a ratio to its reference, both measured in this run. */
export function printRatio(what, value, reference, referenceName, unit = "ms") {
  const number = (figure) => figure.toPrecision(3);
  const line = `${(value / reference).toFixed(2)} × ${referenceName}`;
  console.log(`${what}: ${line}  (${number(value)} ${unit} to ${number(reference)} ${unit})`);
}

/** The memory that a process has now. */
export function residentMegabytes(pid) {
  const [, kilobytes] = /VmRSS:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, "utf8"));
  return Number(kilobytes) / 1024;
}
