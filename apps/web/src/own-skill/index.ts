export { Affected } from "./affected.js";
export { HiddenSkill } from "./hidden-skill.js";
export { Variants } from "./variants.js";
export { CLASS_NAMES } from "./words.js";
export { OurWay } from "./our-way.js";
export { OwnSkillForm } from "./own-skill-form.js";
export { changesTo, fileOf } from "./skills-file.js";
export { SkillsInOut } from "./skills-in-out.js";
export { useSkillChange } from "./use-skill-change.js";
