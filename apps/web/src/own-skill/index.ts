export { OurWay } from "./our-way.js";
export { OwnSkillForm } from "./own-skill-form.js";
