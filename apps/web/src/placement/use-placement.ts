import { SCHOOLS } from "@mirrup/catalogue";
import type { DecisionView } from "@mirrup/contract";
import {
  syllabusOf,
  type PlacementAnswer,
  type SchoolId,
  type SideName,
  type SubjectSide,
} from "@mirrup/core";
import { place, placementModel, type Placement, type Question } from "@mirrup/core/planning";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { v7 as uuid } from "uuid";
import { catalogue } from "../app/catalogue.js";
import { decisionsQuery, useDecide } from "../students/index.js";

/** An answer as the log has it: what was seen of a side. */
export interface SeenAnswer extends SubjectSide {
  readonly id: string;
  readonly answer: PlacementAnswer;
}

export interface PlacementBackground {
  readonly school: SchoolId;
  readonly leadingSide: "left" | "right";
  readonly years: number | null;
  readonly age: number | null;
}

/** Placement's answers that stand, oldest first. */
function answersOf(decisions: readonly DecisionView[]): readonly SeenAnswer[] {
  const seen = decisions.flatMap(({ id, subject, side, decision, isVoided }) =>
    decision.kind === "place" && decision.seen && !isVoided
      ? [{ id, subject, side, answer: decision.answer }]
      : [],
  );
  return seen.reverse();
}

/** A placement in progress: each answer is in the log at once, so that nothing is lost by stopping. */
export function usePlacement(studentId: string, background: PlacementBackground) {
  const decisions = useQuery(decisionsQuery(studentId));
  const { decide, isPending } = useDecide(studentId);
  const [unsent, setUnsent] = useState<readonly SeenAnswer[]>([]);
  const [passed, setPassed] = useState<ReadonlySet<string>>(new Set());
  const [asked, setAsked] = useState<Question | null>(null);
  const { school, leadingSide, years, age } = background;
  const model = useMemo(
    () =>
      placementModel(syllabusOf({ catalogue: catalogue(), school: SCHOOLS[school] }), {
        strongerSide: leadingSide,
        ...(years === null ? {} : { years }),
        ...(age === null ? {} : { age }),
      }),
    [school, leadingSide, years, age],
  );
  const stored = useMemo(() => answersOf(decisions.data ?? []), [decisions.data]);
  const answers = useMemo(() => {
    const known = new Set(stored.map((one) => one.id));
    return [...stored, ...unsent.filter((one) => !known.has(one.id))];
  }, [stored, unsent]);
  const placement: Placement = useMemo(() => place(model, answers, passed), [model, answers, passed]);

  // A skill that is asked about stays until each of its sides in question has an answer.
  const isAnswered = (subject: string, side: SideName) =>
    answers.some((one) => one.subject === subject && one.side === side);
  const open = asked?.sides.filter((side) => !isAnswered(asked.subject, side)) ?? [];
  const question = asked !== null && open.length > 0 ? asked : placement.next;

  const answer = async (subject: string, side: SideName, seen: PlacementAnswer) => {
    if (question !== null) setAsked(question);
    const one: SeenAnswer = { id: uuid(), subject, side, answer: seen };
    setUnsent((before) => [...before, one]);
    const decision = { kind: "place", answer: seen, seen: true } as const;
    const stands = await decide({ id: one.id, subject, side, decision, reason: "" });
    if (!stands) setUnsent((before) => before.filter((other) => other.id !== one.id));
  };
  const takeBack = async (one: SeenAnswer) => {
    const { id, subject, side } = one;
    if (await decide({ subject, side, decision: { kind: "void", target: id }, reason: "" })) {
      setUnsent((before) => before.filter((other) => other.id !== id));
      setAsked(null);
    }
  };
  const takeLikely = (sides: readonly SubjectSide[]) => {
    const decision = { kind: "place", answer: "clean", seen: false } as const;
    return decide(
      ...sides.map(({ subject, side }, place) => ({
        subject,
        side,
        decision,
        reason: "Likely, by placement.",
        ...(place === 0 ? { done: `${sides.length} likely sides are taken as known.` } : {}),
      })),
    );
  };
  const passOver = (subject: string) => {
    setAsked(null);
    setPassed((before) => new Set([...before, subject]));
  };
  return {
    decisions,
    answers,
    placement,
    question,
    isAnswered,
    isPending,
    answer,
    takeBack,
    takeLikely,
    passOver,
  };
}
