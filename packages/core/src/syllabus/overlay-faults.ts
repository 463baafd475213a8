/** What keeps a studio's own from being laid over what ships, beside what is wrong with any catalogue. */
import { plainName, type Catalogue, type CatalogueFault } from "./catalogue.js";
import { parseLadders } from "./ladder-line.js";
import { changed, isHiddenIn, laidStrands, named, type WrittenCatalogue } from "./overlay-laying.js";
import { isOfSkill, isOwnSkill, programmesOf, schoolOfKey, type Overlay } from "./overlay-entry.js";
import { programmeFaults } from "./programme-faults.js";
import { programmeItems, programmeSubject } from "./programme.js";
import { namedInRoles } from "./roles.js";

/** Skills that are told by name. */
const MOST_TOLD = 5;

/** Ids and strands that an overlay names and that are not there. */
export function strayFaults({ strands }: WrittenCatalogue, { entries }: Overlay): readonly CatalogueFault[] {
  const skills = new Set(strands.flatMap((strand) => strand.skills.map(({ id }) => id)));
  return Object.entries(entries).flatMap(([skill, entry]): CatalogueFault[] => {
    if (entry.kind === "school") {
      if (schoolOfKey(skill) !== null) return [];
      const message = `"${skill}" is no school.`;
      return [{ code: "duplicate-id", skill, message }];
    }
    if (entry.kind === "programme") {
      if (programmeSubject(skill)?.item === null) return [];
      const message = `"${skill}" is no id of a programme.`;
      return [{ code: "duplicate-id", skill, message }];
    }
    if (entry.kind === "own") {
      if (!isOwnSkill(skill)) {
        const message = `"${skill}" is no id of a skill of the studio's own.`;
        return [{ code: "duplicate-id", skill, message }];
      }
      if (strands.some(({ id }) => id === entry.strand)) return [];
      const message = `${entry.name}: there is no strand "${entry.strand}".`;
      return [{ code: "strand-order", skill, message }];
    }
    const strand = entry.strand;
    if (strand !== undefined && !strands.some(({ id }) => id === strand)) {
      return [{ code: "strand-order", skill, message: `${skill}: there is no strand "${strand}".` }];
    }
    if (skills.has(skill)) return [];
    return [{ code: "unknown-need", skill, message: `"${skill}" is not a skill of the catalogue.` }];
  });
}

/** Names that the studio gives to one skill and that another one has which ships. */
export function nameFaults({ strands }: WrittenCatalogue, { entries }: Overlay): readonly CatalogueFault[] {
  const owners = new Map(
    strands.flatMap((strand) =>
      strand.skills
        .map((skill) => changed(skill, entries[skill.id]))
        .flatMap(({ id, name, also = [] }) =>
          [name, ...also].map((one) => [plainName(one), { id, name }] as const),
        ),
    ),
  );
  return Object.entries(entries).flatMap(([skill, entry]): CatalogueFault[] => {
    if (!isOfSkill(entry)) return [];
    const names = [entry.name ?? [], entry.also ?? []].flat();
    const takenFrom = (one: string) => {
      const owner = owners.get(plainName(one));
      return owner === undefined || owner.id === skill ? null : owner.name;
    };
    return names.flatMap((one): CatalogueFault[] => {
      const owner = takenFrom(one);
      if (owner === null) return [];
      const message = `The name “${one}” belongs to ${owner}. Choose another, or leave it out.`;
      return [{ code: "duplicate-name", skill, message }];
    });
  });
}

/** Whether the drills of one skill go by way of another. */
function goesBy({ strands, craft }: WrittenCatalogue): (skill: string, part: string) => boolean {
  const classes = new Map(strands.flatMap(({ skills }) => skills.map((skill) => [skill.id, skill.class])));
  const { skills: lines } = parseLadders(craft.ladders, (id) => classes.get(id));
  return (skill, part) => lines.get(skill)?.some(({ parts }) => parts.includes(part)) === true;
}

/** What still asks for a skill that is to be hidden, told of the hidden one. */
export function hiddenFaults(written: WrittenCatalogue, own: Overlay): readonly CatalogueFault[] {
  if (!Object.keys(own.entries).some((id) => isHiddenIn(own, id))) return [];
  const all = laidStrands(written.strands, own).flatMap(({ skills }) => skills);
  const hidden = all.filter(({ id }) => isHiddenIn(own, id));
  const shown = all.filter(({ id }) => !isHiddenIn(own, id));
  const roles = new Set(namedInRoles(written.craft.roles));
  const isBy = goesBy(written);
  const programmes = [...programmesOf(own).values()].filter(({ isEnded }) => isEnded !== true);
  return hidden.flatMap(({ id, name: plain }): CatalogueFault[] => {
    const name = plain.charAt(0).toUpperCase() + plain.slice(1);
    if (roles.has(id)) {
      const message = `${name} is what other skills are drilled and tested with, and cannot be hidden.`;
      return [{ code: "role", skill: id, message }];
    }
    const using = [
      ...shown.filter((skill) => named(skill).includes(id) || isBy(skill.id, id)),
      ...programmes.filter((programme) => programmeItems(programme).some(({ skill }) => skill === id)),
    ].map((one) => one.name);
    if (using.length === 0) return [];
    const told = using.slice(0, MOST_TOLD).join(", ");
    const more = using.length > MOST_TOLD ? ` and ${using.length - MOST_TOLD} more` : "";
    const message = `${name} is needed by ${told}${more}. Hide them too, or change what they need.`;
    return [{ code: "hidden-need", skill: id, message }];
  });
}

/** What is wrong with the studio's programmes, by what is taught. */
export function programmesFaults(catalogue: Catalogue, own: Overlay): readonly CatalogueFault[] {
  const programmes = programmesOf(own);
  return [...programmes].flatMap(([skill, programme]) =>
    programmeFaults(catalogue, skill, programme, programmes)
      // Nobody works at what is ended: what it asked may be taught no longer.
      .filter(({ code }) => programme.isEnded !== true || code !== "unknown-subject")
      .map(({ heading, item, message }): CatalogueFault => ({
        ...{ code: "programme", skill, message: `${programme.name}: ${message}` },
        ...(heading === null || item === null ? {} : { place: { heading, item } }),
      })),
  );
}
