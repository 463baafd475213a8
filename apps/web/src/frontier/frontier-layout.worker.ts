/** Lays frontiers out off the main thread. */
import { expose } from "comlink";
import { layoutOf } from "./layout.js";

const worker = { layoutOf };
export type FrontierLayouter = typeof worker;

expose(worker);
