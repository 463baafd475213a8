/** What is found from anywhere by a few letters: pure, so that it can be told and tested apart. */
import type { ArchivedStudent, ComboView, GroupView, StudentView } from "@mirrup/contract";
import { programmeItems, type OwnProgramme, type Skill } from "@mirrup/core";
import Fuse from "fuse.js";
import { counted } from "../app/plural.js";
import { STUDENT_PAGE_NAMES, STUDENT_PAGES, type Paths } from "../app/paths.js";
import { plain } from "../app/plain.js";
import { capital, meetingWords } from "../app/words.js";

/** The kinds of what is found, in the order in which they stand where they fit alike. */
export const KINDS = ["student", "skill", "combo", "programme", "group", "page"] as const;
export type Kind = (typeof KINDS)[number];

export interface Found {
  readonly kind: Kind;
  readonly name: string;
  /** What else tells it apart. */
  readonly about: string;
  /** Where it leads. */
  readonly to: string;
  /** The skill as this student has it; left out for anything else. */
  readonly bead?: { readonly studentId: string; readonly subject: string };
}

export interface Findable {
  readonly students: readonly StudentView[];
  readonly archived: readonly ArchivedStudent[];
  readonly groups: readonly GroupView[];
  readonly combos: readonly ComboView[];
  /** By their key. */
  readonly programmes: ReadonlyMap<string, OwnProgramme>;
  /** The skills of any name that is like the words, the likest first. */
  readonly skills: (words: string) => readonly Skill[];
  readonly paths: Paths;
  /** Whose page is open: what is found of skills can be opened there too. */
  readonly student: StudentView | null;
}

/** Of one kind no more are shown: who wants others types another letter. */
export const MOST_OF_A_KIND = 6;
/** Letters after a student's name that mean one of their pages. */
const LEAST_OF_A_PAGE = 2;

/** The pages that stand for themselves, with other words that one may have in mind. */
function pagesOf(paths: Paths): readonly (Found & Named)[] {
  const page = (name: string, about: string, to: string, also = "") => ({
    ...{ kind: "page" as const, name, about, to, also },
  });
  return [
    page("Today", "Who is here, and what each does next", paths.today, "lesson attendance register"),
    page("First steps", "What a new studio does first", paths.start, "begin setup help welcome"),
    page(
      "Timing",
      "When the hands move, how high one jumps",
      paths.timing,
      "windows jump height speed figure",
    ),
    page("Students", "Everybody, and where they stand", paths.students, "roster list"),
    page("Add students from a file", "A table of names", paths.importing, "import csv spreadsheet"),
    page("Class", "Groups, and who stands where", paths.class(), "groups table grid"),
    page(
      "The class’s frontier",
      "What is open to most, and what that opens",
      `${paths.class()}?view=frontier`,
      "tree graph prerequisites",
    ),
    page(
      "A new skill of your own",
      "A trick from its score",
      paths.skill("new"),
      "add create trick move own custom",
    ),
    page(
      "Interval clock",
      "Work and rest for everybody",
      paths.classClock(undefined),
      "timer rounds circuit",
    ),
    page("Combos", "Combos that are saved", paths.combos, "shelf sequences"),
    page("Build a combo", "Move by move, checked as you go", paths.comboPage("bench"), "bench new sequence"),
    page("Suggest combos", "Made of what a student has cleared", paths.comboPage("make"), "generate ideas"),
    page("Freestyle round", "Combos put into one round", paths.comboPage("freestyle"), "routine show"),
    page(
      "Programmes",
      "Lists of skills that a class works through",
      paths.programmes,
      "badge level grading sheet",
    ),
    page("Skill book", "Every skill, and how it is taught", paths.skills, "tricks catalogue"),
    page("Studio", "How you teach, people, data", paths.studio, "settings account password backup rope"),
  ];
}

const studentFound = ({ id, name }: ArchivedStudent | StudentView, about: string, paths: Paths): Found => ({
  ...{ kind: "student", name, to: paths.student(id), about },
});

interface Named {
  readonly name: string;
  /** Other words that one may have in mind. */
  readonly also?: string;
}

/** How names are told: by the beginnings of their words, or by being written nearly so. */
type Telling = <T extends Named>(words: string, things: readonly T[]) => readonly T[];

const begunSo: Telling = (words, things) => {
  const sought = plain(words).split(/\s+/);
  return things.filter(({ name, also = "" }) => {
    const names = plain(`${name} ${also}`).split(/\s+/);
    return sought.every((word) => names.some((one) => one.startsWith(word)));
  });
};

const nearlySo: Telling = (words, things) => {
  const near = { threshold: 0.3, ignoreLocation: true, ignoreDiacritics: true };
  return new Fuse(things, { keys: ["name", "also"], ...near }).search(words).map(({ item }) => item);
};

/** "Hana rec" is Hana's record: a student's name, and the beginning of one of their pages. */
function pagesOfStudents(told: Telling, words: string, { students, paths }: Findable): readonly Found[] {
  const said = plain(words).split(/\s+/);
  const last = said.at(-1) ?? "";
  if (said.length < 2 || last.length < LEAST_OF_A_PAGE) return [];
  const pages = STUDENT_PAGES.filter((page) => plain(STUDENT_PAGE_NAMES[page]).startsWith(last));
  if (pages.length === 0) return [];
  return told(said.slice(0, -1).join(" "), students).flatMap((student) =>
    pages.map((page) => ({
      ...{ kind: "student" as const, name: student.name, about: STUDENT_PAGE_NAMES[page] },
      to: paths.studentPage(student.id, page),
    })),
  );
}

function skillFound({ id, name }: Skill, { paths, student }: Findable): readonly Found[] {
  const skill = { kind: "skill" as const, name: capital(name) };
  const book = { ...skill, about: "in the skill book", to: paths.skill(id) };
  if (student === null) return [book];
  const own = { about: `on ${student.name}’s strands`, to: paths.bead(student.id, id) };
  return [{ ...skill, ...own, bead: { studentId: student.id, subject: id } }, book];
}

/** Whether some name of a skill begins so, word by word. */
const isBegun = (words: string, { name, aliases }: Skill) =>
  begunSo(
    words,
    [name, ...aliases].map((one) => ({ name: one })),
  ).length > 0;

function foundBy(told: Telling, words: string, findable: Findable): ReadonlyMap<Kind, readonly Found[]> {
  const { students, archived, groups, combos, paths, skills } = findable;
  const open = combos.filter(({ isRemoved }) => !isRemoved);
  const taught = [...findable.programmes].map(([key, programme]) => ({ ...programme, key }));
  const met = groups.filter(({ archived }) => !archived);
  const like = skills(words).filter((skill) => told !== begunSo || isBegun(words, skill));
  const found: Readonly<Record<Kind, readonly Found[]>> = {
    student: [
      ...pagesOfStudents(told, words, findable),
      ...told(words, students).map((student) => studentFound(student, `level ${student.level}`, paths)),
      ...told(words, archived).map((student) => studentFound(student, "archived", paths)),
    ],
    skill: like.flatMap((skill) => skillFound(skill, findable)),
    combo: told(words, open).map(({ id, name, parts }) => ({
      ...{ kind: "combo", name, about: counted(parts.length, "part"), to: paths.combo(id) },
    })),
    programme: told(words, taught).map((programme) => ({
      ...{ kind: "programme", name: programme.name, to: paths.programme(programme.key) },
      about: programme.isEnded === true ? "ended" : counted(programmeItems(programme).length, "skill"),
    })),
    group: told(words, met).map((group) => ({
      ...{ kind: "group", name: group.name, about: meetingWords(group), to: paths.class(group.id) },
    })),
    page: told(words, pagesOf(paths)),
  };
  return new Map(
    KINDS.map((kind) => [kind, found[kind].slice(0, MOST_OF_A_KIND)] as const).filter(
      ([, things]) => things.length > 0,
    ),
  );
}

/** What the words mean, by kind; what is merely like them only where nothing begins so; without words the pages. */
export function find(words: string, findable: Findable): ReadonlyMap<Kind, readonly Found[]> {
  if (plain(words) === "") return new Map([["page", pagesOf(findable.paths)]]);
  const begun = foundBy(begunSo, words, findable);
  return begun.size > 0 ? begun : foundBy(nearlySo, words, findable);
}
