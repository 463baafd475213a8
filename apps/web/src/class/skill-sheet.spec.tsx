import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "@mirrup/catalogue";
import type { DecisionRequest } from "@mirrup/contract";
import { sidesOf } from "@mirrup/core";
import { cleanup, screen, waitFor } from "@testing-library/react";
import { drawn, Refused, signedIn, type Answers } from "../testing/drawn.js";
import { gridOf } from "./grid.js";
import { SkillSheet } from "./skill-sheet.js";

const SIDES = [...CATALOGUE.skills.values()].flatMap((skill) =>
  sidesOf(skill).map((side) => ({ skill, side })),
);
/** Students who stand as their codes say, everything else locked. */
function classOf(...of: readonly Readonly<Record<string, string>>[]) {
  return gridOf(
    {
      sides: SIDES.map(({ skill, side }) => `${skill.id}:${side}`),
      students: of.map((codes, place) => ({
        ...{ id: `s${place}`, name: ["Bo Wick", "Ada Lowe"][place] ?? "" },
        codes: SIDES.map(({ skill, side }) => codes[`${skill.id} ${side}`] ?? codes[skill.id] ?? "-").join(
          "",
        ),
      })),
    },
    CATALOGUE,
    "strand",
  );
}
const CLASS = classOf({ cross: "o" }, { "cross left": "c", "cross right": "o" });

function sheet(grid = CLASS, more: Answers = {}, mayEdit = true) {
  const said: DecisionRequest[][] = [];
  const view = drawn(<SkillSheet {...{ grid, mayEdit }} groupId="g" title="Juniors" />, {
    answers: {
      "GET /auth/session": signedIn("coach"),
      "POST /decisions": (body: unknown) => {
        said.push((body as { decisions: DecisionRequest[] }).decisions);
        return { stored: [], alreadyStored: [], changes: [], opened: [] };
      },
      ...more,
    },
  });
  return { ...view, said };
}
const box = (name: string) => screen.getByRole<HTMLButtonElement>("button", { name });

beforeEach(() => sessionStorage.clear());
afterEach(cleanup);

describe("a class's skill sheet", () => {
  it("has a line a student in the order of their names, and a box where a side is open", () => {
    sheet();
    expect(screen.getAllByRole("row").map((row) => row.querySelector("th")?.textContent)).toEqual([
      "Student",
      "Ada Lowe",
      "Bo Wick",
    ]);
    expect(screen.getAllByRole("columnheader").map((one) => one.textContent)).toEqual(["Student", "cross"]);
    // What is cleared has none.
    expect(screen.queryByRole("button", { name: "Ada Lowe, cross, left" })).toBeNull();
    expect(screen.getAllByRole("button", { name: /, cross, / })).toHaveLength(3);
  });

  it("clears what is ticked, with a reason, and takes it all back", async () => {
    const { user, said } = sheet();
    expect(box("Clear 0 ticks").disabled).toBe(true);
    await user.click(box("Bo Wick, cross, left"));
    await user.click(box("Ada Lowe, cross, right"));
    await user.click(box("Bo Wick, cross, right"));
    await user.click(box("Bo Wick, cross, right"));
    await user.type(screen.getByRole("textbox", { name: "Reason of the clearings" }), " Seen on Monday ");
    await user.click(box("Clear 2 ticks"));
    await waitFor(() => expect(said).toHaveLength(1));
    expect(said[0]).toMatchObject([
      { studentId: "s1", subject: "cross", side: "right", reason: "Seen on Monday" },
      { studentId: "s0", subject: "cross", side: "left", reason: "Seen on Monday" },
    ]);
    await waitFor(() => expect(box("Clear 0 ticks").disabled).toBe(true));
    expect(screen.getByRole<HTMLInputElement>("textbox", { name: "Reason of the clearings" }).value).toBe("");
    await user.click(await screen.findByRole("button", { name: "Undo" }));
    await waitFor(() => expect(said).toHaveLength(2));
    expect(said[1]?.map(({ decision }) => decision)).toEqual(
      said[0]?.map(({ id }) => ({ kind: "void", target: id })),
    );
  });

  it("finds the ticks again after the page is loaded anew, but not of what was cleared meanwhile", async () => {
    const { user } = sheet();
    await user.click(box("Bo Wick, cross, left"));
    await user.click(box("Bo Wick, cross, right"));
    cleanup();
    sheet(classOf({ "cross left": "c", "cross right": "o" }));
    expect(box("Bo Wick, cross, right").getAttribute("aria-pressed")).toBe("true");
    expect(box("Clear 1 tick")).toBeTruthy();
  });

  it("keeps the ticks where they could not be stored, and says why", async () => {
    const { user } = sheet(CLASS, { "POST /decisions": new Refused(409, "Somebody is at it.") });
    await user.click(box("Bo Wick, cross, left"));
    await user.click(box("Clear 1 tick"));
    expect(await screen.findByText("Somebody is at it.")).toBeTruthy();
    expect(box("Bo Wick, cross, left").getAttribute("aria-pressed")).toBe("true");
  });

  it("is only looked at and printed by whoever may not teach", () => {
    sheet(CLASS, {}, false);
    expect(box("Bo Wick, cross, left").disabled).toBe(true);
    expect(screen.queryByRole("textbox")).toBeNull();
    expect(box("Print the sheet")).toBeTruthy();
  });
});
