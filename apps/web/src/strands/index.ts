export { STRAND_OPTIONS } from "./filters.js";
export { MapPanel } from "./map-panel.js";
export { MapTools } from "./map-tools.js";
export { LEAST_SCALE, mapView, MOST_SCALE } from "./map-view.js";
export { skillsOnPath } from "./path-panel.js";
export { usePicked } from "./use-picked.js";
