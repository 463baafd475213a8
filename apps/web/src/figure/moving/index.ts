export { fetchMovingPicture, MovingPicture } from "./lazy-moving.js";
