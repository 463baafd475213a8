import { printScore, sidesOf, sideScore, type SideName, type Skill } from "@mirrup/core";
import { Button, SegmentedControl, Text, Title } from "@mantine/core";
import { useDocumentTitle } from "@mantine/hooks";
import { useState } from "react";
import { Link, useNavigate, useParams, useSearchParams } from "react-router";
import { catalogue, ownWayOf } from "../app/catalogue.js";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { useSearchWords } from "../app/use-search-words.js";
import { capital, FAMILY_NAMES, listWords } from "../app/words.js";
import { Bead, type BeadState } from "../beads/index.js";
import { useMayTeach } from "../account/index.js";
import { HiddenSkill, OurWay, OwnSkillForm, Variants } from "../own-skill/index.js";
import { ScoreDesk } from "./score-desk.js";
import { Faults, Gates, Kin, LadderTable, Teaching } from "./skill-facts.js";
import { familyOf } from "../app/family.js";
import { SkillList } from "./skill-list.js";
import classes from "./skill-book-page.module.css";

const FULL = { status: "cleared", progress: 1 } as const;
const HOLLOW = { status: "ready", progress: 0 } as const;

/** The bead as a name tag: the side that is shown is the filled half. */
function tagState(skill: Skill, side: SideName): BeadState {
  if (!skill.twoSided) return { kind: "whole", whole: FULL };
  return { kind: "split", left: side === "left" ? FULL : HOLLOW, right: side === "right" ? FULL : HOLLOW };
}

interface DetailProps {
  readonly skill: Skill;
  readonly side: SideName;
  readonly onSide: (side: SideName) => void;
}

/** Its score on the desk, and how it is taught. */
function Facts({ skill, side }: Pick<DetailProps, "skill" | "side">) {
  const score = sideScore(skill, side);
  const written = score === null ? null : printScore(score);
  const [text, setText] = useState(written ?? "");
  return (
    <>
      {written === null ? (
        <Text>
          It lies outside the rope model, so it has no score, braid or timing. Its drills, gate and needs work
          as for any other skill.
        </Text>
      ) : (
        <ScoreDesk skillId={skill.id} original={written} text={text} onChange={setText} />
      )}
      <Teaching skill={skill} />
      <Kin skill={skill} />
      <Gates skill={skill} />
      <LadderTable skill={skill} side={side} />
      <Faults skill={skill} />
      {score !== null && <Variants skill={skill} score={score} />}
    </>
  );
}

function SkillDetail({ skill, side, onSide }: DetailProps) {
  const [isChanged, setChanged] = useState(false);
  const family = familyOf(skill.id);
  return (
    <article className={classes.detail}>
      <header className={classes.header}>
        <Bead state={tagState(skill, side)} family={family} size={56} />
        <div className={classes.names}>
          <Title order={1}>{capital(skill.name)}</Title>
          <Text className={classes.quiet}>
            {FAMILY_NAMES[family]}, level {skill.level}
            {skill.aliases.length > 0 && `. Also: ${listWords(skill.aliases)}`}.
          </Text>
        </div>
        {skill.twoSided && (
          <SegmentedControl
            aria-label="Side"
            size="md"
            value={side}
            data={[
              { value: "left", label: "Left" },
              { value: "right", label: "Right" },
            ]}
            onChange={(value) => onSide(value === "left" ? "left" : "right")}
          />
        )}
      </header>
      <OurWay skill={skill} isOpen={isChanged} onOpen={setChanged} />
      {!isChanged && <Facts skill={skill} side={side} />}
    </article>
  );
}

/** The address of the form for a skill that is not there yet. */
const NEW = "new";

function NewSkill({ score }: { readonly score: string }) {
  const paths = usePaths();
  const navigate = useNavigate();
  const mayTeach = useMayTeach();
  if (!mayTeach) {
    return (
      <article className={classes.detail}>
        <Text>Coaches and owners can add skills to the book.</Text>
      </article>
    );
  }
  return (
    <article className={classes.detail}>
      <Title order={1}>A skill of your own</Title>
      <OwnSkillForm
        skill={null}
        score={score}
        onDone={(id) => void navigate(paths.skill(id))}
        onLeave={() => void navigate(paths.skills)}
      />
    </article>
  );
}

/** The desk alone, for a score that is not (yet) a skill's. */
function FreeDesk() {
  const paths = usePaths();
  const mayTeach = useMayTeach();
  const [text, setText] = useState("sr xr o (o o)");
  return (
    <article className={classes.detail}>
      <Title order={1}>Score desk</Title>
      <Text className={classes.quiet}>
        Type or paste a score: <code>o</code> open, <code>xr</code> cross with the right arm on top,{" "}
        <code>sr</code> side swing right, <code>(o o)</code> a double, <code>/l</code> landing on the left
        foot. Or choose a skill from the list.
      </Text>
      <ScoreDesk skillId={null} original={null} text={text} onChange={setText} />
      {mayTeach && (
        <Button
          component={Link}
          to={`${paths.skill(NEW)}?score=${encodeURIComponent(text)}`}
          variant="default"
          size="md"
          className={classes.make}
        >
          Make it a skill of your own
        </Button>
      )}
    </article>
  );
}

/** What is this trick, and how is it taught? */
export function SkillBookPage() {
  const { skillId = null } = useParams();
  const paths = usePaths();
  const mayTeach = useMayTeach();
  const [params, setParams] = useSearchParams();
  const skill = skillId === null || skillId === NEW ? null : catalogue().skills.get(skillId);
  const own = skill === undefined && skillId !== null ? ownWayOf(skillId) : null;
  const hidden = own?.isHidden === true ? own : null;
  useDocumentTitle(`${skill?.name === undefined ? "Skill book" : capital(skill.name)} · Mirrup`);
  const [words, setWords] = useSearchWords();
  const arrangement = params.get("by") === "level" ? "level" : "strand";
  const change = (name: string, value: string | null) => {
    const changed = new URLSearchParams(params);
    if (value === null || value === "") changed.delete(name);
    else changed.set(name, value);
    setParams(changed, { replace: true });
  };
  const asked = params.get("side");
  const sides = skill == null ? [] : sidesOf(skill);
  const side = sides.find((one) => one === asked) ?? sides.at(-1) ?? "whole";
  const query = params.size > 0 ? `?${params.toString()}` : "";
  return (
    <div className={classes.page} data-chosen={skillId !== null}>
      <div className={classes.list}>
        <div className={classes.ways}>
          {mayTeach && (
            <Button component={Link} to={paths.skill(NEW)} variant="default">
              A new skill of your own
            </Button>
          )}
          {mayTeach && (
            <Button component={Link} to={paths.skillOrder} variant="default">
              Order of the skills
            </Button>
          )}
          <Button component={Link} to={paths.programmes} variant="default">
            Programmes
          </Button>
        </div>
        <SkillList
          selected={skillId}
          words={words}
          arrangement={arrangement}
          onSearch={setWords}
          onArrange={(value) => change("by", value === "level" ? value : null)}
          pathOf={(id) => `${paths.skill(id)}${query}`}
        />
      </div>
      {hidden !== null && skillId !== null && (
        <article className={classes.detail}>
          <HiddenSkill id={skillId} entry={hidden} />
        </article>
      )}
      {skill === undefined && hidden === null && (
        <Fault title="There is no such skill">
          Choose one from the list, or search for it by another name.
        </Fault>
      )}
      {skillId === null && <FreeDesk />}
      {skillId === NEW && <NewSkill score={params.get("score") ?? ""} />}
      {skill != null && (
        <SkillDetail
          key={`${skill.id} ${side}`}
          skill={skill}
          side={side}
          onSide={(value) => change("side", value)}
        />
      )}
    </div>
  );
}
