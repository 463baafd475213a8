/**
 * A class plan as a mixed-integer model, for a solver to stand beside the search: the same worths and the same
 * losses, over a class for whom there are ropes, floor and helpers enough. A skill's stations of a turn are
 * counted and not told apart, and a group that is too large loses the least that it can: what the solver finds
 * is never less than the best plan.
 */
export function classModel({ students, stations, coaches, minutes, weights, limits }) {
  const skills = [...new Set(students.flatMap((one) => one.options.map((option) => option.subject)))];
  const objective = [];
  const rows = [];
  const [binary, integer] = [[], []];
  const counts = minutes.map((whole) => Math.max(0, whole - limits.change));
  const isWrongHalf = (turn) => turn < minutes.length / 2;
  const add = (terms, sense, right) => {
    if (terms.length > 0)
      rows.push(`${terms.map(([many, name]) => `${sign(many)} ${name}`).join(" ")} ${sense} ${right}`);
  };
  /** By student, turn and skill: the ways to do it, so often before, after the same effort or not. */
  const ways = students.map((student, one) =>
    counts.map(
      (_many, turn) => new Map(student.options.map((option) => [option.subject, waysOf(option, one, turn)])),
    ),
  );
  function waysOf(option, one, turn) {
    const skill = skills.indexOf(option.subject);
    const list = [];
    for (let times = 0; times <= turn; times += 1)
      for (const same of turn === 0 ? [0] : [0, 1]) {
        if (times > 0 && same === 0 && turn === times) continue;
        const name = `x${one}_${turn}_${skill}_${times}_${same}`;
        const half = option.isNewAndHard && isWrongHalf(turn) ? weights.wrongHalf : 1;
        const worth =
          option.worth * counts[turn] * weights.again ** times * (same ? weights.sameEffort : 1) * half;
        objective.push([worth, name]);
        binary.push(name);
        list.push({ name, times, same, option });
      }
    return list;
  }
  const names = (list, many = 1) => list.map(({ name }) => [many, name]);

  students.forEach((student, one) => {
    const own = ways[one];
    const begun = [];
    own.forEach((bySkill, turn) => {
      const all = [...bySkill.values()].flat();
      add(names(all), "=", 1);
      begun.push(
        ...names(
          all.filter(({ option }) => option.isBegun),
          counts[turn],
        ),
      );
      if (turn === 0) return;
      const before = [...own[turn - 1].values()].flat();
      for (const effort of new Set(all.map(({ option }) => option.effort))) {
        const of = ({ option }) => option.effort === effort;
        add([...names(all.filter((way) => of(way) && !way.same)), ...names(before.filter(of))], "<=", 1);
      }
      for (const [skill, list] of bySkill)
        for (let times = 1; times <= turn; times += 1) {
          const earlier = own
            .slice(0, turn)
            .flatMap((one) => one.get(skill).filter((way) => way.times === times - 1));
          add([...names(list.filter((way) => way.times === times)), ...names(earlier, -1)], "<=", 0);
        }
    });
    for (const skill of own[0].keys())
      for (let times = 0; times < counts.length - 1; times += 1)
        add(
          names(own.flatMap((bySkill) => bySkill.get(skill).filter((way) => way.times === times))),
          "<=",
          1,
        );
    if (!student.options.some((option) => option.isBegun)) return;
    const half = counts.reduce((sum, many) => sum + many, 0) / 2;
    objective.push([-weights.begun, `d${one}`]);
    add([...begun, [1, `d${one}`]], ">=", half);
  });

  counts.forEach((many, turn) => {
    const [open, led] = [[], []];
    skills.forEach((subject, skill) => {
      const here = ways.flatMap((own) => own[turn].get(subject) ?? []);
      const groups = `n${turn}_${skill}`;
      integer.push(groups);
      open.push([1, groups]);
      const byStudent = ways.flatMap((own) => (own[turn].has(subject) ? [own[turn].get(subject)] : []));
      for (const list of byStudent) add([...names(list), [-1, groups]], "<=", 0);
      objective.push([-weights.alone * many, `a${turn}_${skill}`]);
      add([[2, groups], ...names(here, -1), [-1, `a${turn}_${skill}`]], "<=", 0);
      const most = Math.max(...here.map(({ option }) => option.worth));
      objective.push([-many, `l${turn}_${skill}`]);
      add(
        [
          ...here.map(({ name, option }) => [option.worth, name]),
          [-limits.group * most, groups],
          [-1, `l${turn}_${skill}`],
        ],
        "<=",
        0,
      );
      const shows = here.filter(({ option }) => option.use === "show");
      if (shows.length > 0) {
        objective.push([-(weights.show - weights.keep) * many, `h${turn}_${skill}`]);
        const works = here.filter(({ option }) => option.use === "frontier");
        add([...names(shows), ...names(works, -1), [-1, `h${turn}_${skill}`]], "<=", 0);
      }
      const needing = byStudent.filter(([{ option }]) => option.watch === "coach");
      if (needing.length === 0) return;
      binary.push(`g${turn}_${skill}`);
      led.push([1, `g${turn}_${skill}`]);
      for (const list of needing) add([...names(list), [-1, `g${turn}_${skill}`]], "<=", 0);
    });
    add(open, "<=", stations);
    add(led, "<=", coaches);
  });
  return { objective, rows, binary, integer, skills };
}

const sign = (many) => (many < 0 ? `- ${-many}` : `+ ${many}`);

/** The model in the open LP format; without whole numbers it is its linear relaxation. */
export function lpOf({ objective, rows, binary, integer }, isWhole) {
  const wrap = (text) => text.replace(/((?:\S+ ){40})/g, "$1\n ");
  return [
    "Maximize",
    ` useful: ${wrap(
      objective
        .filter(([many]) => many !== 0)
        .map(([many, name]) => `${sign(many)} ${name}`)
        .join(" "),
    )}`,
    "Subject To",
    ...rows.map((row, place) => ` r${place}: ${wrap(row)}`),
    ...(isWhole ? ["General", wrap(integer.join(" ")), "Binary", wrap(binary.join(" "))] : []),
    "End",
  ].join("\n");
}
