export { OurWay } from "./our-way.js";
export { OwnSkillForm } from "./own-skill-form.js";
export { changesTo, fileOf } from "./skills-file.js";
export { SkillsInOut } from "./skills-in-out.js";
export { useSkillChange } from "./use-skill-change.js";
