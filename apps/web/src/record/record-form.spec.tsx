import { afterEach, describe, expect, it } from "@jest/globals";
import type { StudentDetail } from "@mirrup/contract";
import { cleanup, screen, waitFor } from "@testing-library/react";
import { drawn, Refused, signedIn, SILENT, type Answers } from "../testing/drawn.js";
import { RecordForm } from "./record-form.js";

const DETAIL = {
  ...{ id: "ada", version: 3, name: "Ada Fenn", archived: false, birthYear: 2015, yearsJumping: 2 },
  ...{ heightMm: 1400, dominantHand: "right", strongerSide: null, ropeKind: "beaded", ropeLengthMm: 2400 },
  ...{ ropeUse: "all", homeStep: null, goals: [], school: null, settings: {}, groups: ["g"], gates: {} },
  ...{ notes: "Quick learner", cautions: ["pain"] },
} as unknown as StudentDetail;

function form(more: Answers = {}) {
  return drawn(<RecordForm detail={DETAIL} />, {
    answers: {
      "GET /auth/session": signedIn("coach"),
      "GET /studio": { id: "s", school: "steady-hold", settings: {} },
      "GET /groups": { items: [{ id: "g", name: "Juniors", archived: false }] },
      "PATCH /students/ada": (body: unknown) => ({ ...DETAIL, ...(body as object), version: 4 }),
      ...more,
    },
  });
}
const field = (label: string) => screen.getByLabelText<HTMLInputElement>(label);
const save = () => screen.getByRole<HTMLButtonElement>("button", { name: "Save" });

afterEach(() => {
  cleanup();
  sessionStorage.clear();
});

describe("a student's record", () => {
  it("shows what is written down, lengths in the studio's unit", () => {
    form();
    expect(screen.getByLabelText<HTMLInputElement>(/^Name/).value).toBe("Ada Fenn");
    expect(field("Height, cm").value).toBe("140");
    expect(field("Rope length, cm").value).toBe("240");
    expect(screen.getByText(/^\d+ or \d+ years old$/)).toBeDefined();
    expect(field("Pain").checked).toBe(true);
    expect(field("Shoes").checked).toBe(false);
  });

  it("can be saved once something was changed, and sends that alone with its version", async () => {
    const { user, sent } = form();
    expect(save().disabled).toBe(true);
    await user.clear(field("Height, cm"));
    await user.type(field("Height, cm"), "142");
    await user.click(field("Shoes"));
    await user.click(save());
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]?.body).toEqual({ version: 3, heightMm: 1420, cautions: ["shoes", "pain"] });
    await waitFor(() => expect(save().disabled).toBe(true));
  });

  it("sends nothing that was emptied as nought", async () => {
    const { user, sent } = form();
    await user.clear(field("Years of jumping"));
    await user.click(save());
    await waitFor(() => expect(sent[0]?.body).toEqual({ version: 3, yearsJumping: null }));
  });

  it("says at the field what does not fit, and sends nothing", async () => {
    const { user, sent } = form();
    await user.clear(screen.getByLabelText(/^Name/));
    await user.click(save());
    expect(screen.getByLabelText(/^Name/).getAttribute("aria-invalid")).toBe("true");
    expect(sent).toEqual([]);
  });

  it("undoes what was typed", async () => {
    const { user } = form();
    await user.type(field("Notes"), "!");
    await user.click(screen.getByRole("button", { name: "Undo my changes" }));
    expect(field("Notes").value).toBe("Quick learner");
    expect(save().disabled).toBe(true);
  });

  it("keeps what was typed where nobody answers, and says so", async () => {
    const { user } = form({ "PATCH /students/ada": SILENT });
    await user.type(field("Notes"), "!");
    await user.click(save());
    expect((await screen.findByText("Not stored")).closest("[role='alert']")?.textContent).toContain(
      "does not answer just now",
    );
    expect(field("Notes").value).toBe("Quick learner!");
  });

  it("keeps it over a page that is loaded anew, until it is discarded", async () => {
    const { user } = form();
    await user.type(field("Notes"), "!");
    cleanup();
    const again = form();
    expect(field("Notes").value).toBe("Quick learner!");
    await again.user.click(await screen.findByRole("button", { name: "Discard it" }));
    expect(field("Notes").value).toBe("Quick learner");
  });

  it("tells of somebody else's change, and saves one's own over it or takes theirs", async () => {
    const theirs = { ...DETAIL, version: 7, name: "Ada F." };
    let isStale = true;
    const answer = () =>
      isStale ? new Refused(409, "Changed meanwhile.", { type: "stale-change", current: theirs }) : theirs;
    const { user, sent } = form({ "PATCH /students/ada": answer });
    await user.type(field("Notes"), "!");
    await user.click(save());
    expect(await screen.findByText("Somebody else changed this record in the meantime")).toBeDefined();
    isStale = false;
    await user.click(screen.getByRole("button", { name: "Save my changes too" }));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[1]?.body).toEqual({ version: 7, notes: "Quick learner!" });
    cleanup();
    sessionStorage.clear();
    isStale = true;
    const again = form({ "PATCH /students/ada": answer });
    await again.user.type(field("Notes"), "!");
    await again.user.click(save());
    await again.user.click(await screen.findByRole("button", { name: "Take theirs" }));
    expect(screen.getByLabelText<HTMLInputElement>(/^Name/).value).toBe("Ada F.");
    expect(field("Notes").value).toBe("Quick learner");
  });
});
