import { v5 as uuidOf } from "uuid";

const DEMO_NAMESPACE = "5f0d0c1e-6d3f-5b0a-9d56-3a8f7f5c2b11";

/** The same id for the same thing every time the demo is loaded. */
export function demoId(name: string): string {
  return uuidOf(name, DEMO_NAMESPACE);
}
