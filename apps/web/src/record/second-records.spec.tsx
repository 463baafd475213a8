import { afterEach, describe, expect, it } from "@jest/globals";
import type { Membership, StudentDetail } from "@mirrup/contract";
import { cleanup, screen, waitFor } from "@testing-library/react";
import { drawn, Refused, signedIn, type Answers } from "../testing/drawn.js";
import { PartOf, SecondRecords } from "./second-records.js";

const WREN = { id: "wren", name: "Wren Ash", archived: false, sameAs: null } as unknown as StudentDetail;
const SECOND = { ...WREN, id: "two", name: "Wren A.", archived: true, sameAs: "wren" };
const put = (id: string, name: string, sameAs: string | null) => ({
  ...{ id, name, sameAs, version: 1, groups: [], archivedAt: "2026-05-04T10:00:00.000Z" },
});

function view(
  element: React.ReactElement,
  role: Membership["role"] = "coach",
  more: Answers = {},
  archived = [put("di", "Di", null), put("two", "Wren A.", "wren"), put("bo2", "Bo W.", "bo")],
) {
  return drawn(element, {
    answers: {
      "GET /auth/session": signedIn(role),
      "GET /students": { items: [WREN, { id: "bo", name: "Bo" }] },
      "GET /students/archived": { items: archived },
      "POST /students/wren/second-records": { sets: 12, decisions: 1 },
      "DELETE /students/wren/second-records/two": { sets: 1, decisions: 0 },
      "DELETE /students/wren/second-records/bo": { sets: 12, decisions: 1 },
      ...more,
    },
  });
}
const button = (name: string) => screen.findByRole("button", { name });

async function choose(user: ReturnType<typeof drawn>["user"], name: string) {
  const field = await screen.findByRole("combobox", { name: "The other record" });
  await user.click(field);
  const list = document.getElementById(field.getAttribute("aria-controls") ?? "");
  const options = [...(list?.querySelectorAll("[role=option]") ?? [])];
  const option = options.find((one) => one.textContent === name);
  if (option !== undefined) await user.click(option);
  return options.map((one) => one.textContent);
}

afterEach(cleanup);

describe("the same child twice", () => {
  it("has a choice of whoever has a record of their own, and says who comes into whose", async () => {
    const { user, sent } = view(<SecondRecords detail={WREN} />);
    await button("Take apart Wren A.");
    expect(await choose(user, "Bo")).toEqual(["Bo", "Di (archived)"]);
    expect((await screen.findByRole("status")).textContent).toBe("Bo becomes part of Wren Ash’s record.");
    expect(sent).toEqual([]);
    await user.click(await button("Bring together"));
    await screen.findByText("Bo is part of Wren Ash’s record now, with 12 sets and 1 decision.");
    expect(sent).toEqual([{ method: "POST", path: "/students/wren/second-records", body: { id: "bo" } }]);
    await waitFor(() => expect(screen.queryByRole("button", { name: /^Bring/ })).toBeNull());
    await user.click(await button("Undo"));
    await waitFor(() => expect(sent.at(-1)?.path).toBe("/students/wren/second-records/bo"));
    expect(sent.at(-1)?.method).toBe("DELETE");
  });

  it("offers whoever has the same name, and takes no for an answer", async () => {
    const { user, sent } = view(<SecondRecords detail={{ ...WREN, name: "  di" }} />);
    expect((await screen.findByRole("status")).textContent).toContain("Di becomes part of");
    await user.click(screen.getByLabelText("None"));
    await waitFor(() => expect(screen.queryByRole("status")).toBeNull());
    expect(sent).toEqual([]);
  });

  it("is taken apart, with a way back", async () => {
    const { user, sent } = view(<SecondRecords detail={WREN} />);
    await user.click(await button("Take apart Wren A."));
    await screen.findByText("Wren A. is a student again, with 1 set and 0 decisions.");
    await user.click(await button("Undo"));
    await waitFor(() => expect(sent.map(({ method }) => method)).toEqual(["DELETE", "POST"]));
    expect(sent.at(-1)?.body).toEqual({ id: "two" });
  });

  it("says why it could not be done, and keeps the choice", async () => {
    const { user } = view(<SecondRecords detail={WREN} />, "coach", {
      "POST /students/wren/second-records": new Refused(409, "This record is part of another one."),
    });
    await choose(user, "Bo");
    await user.click(await button("Bring together"));
    await screen.findByText("This record is part of another one.");
    expect(await button("Bring together")).toBeDefined();
  });

  it("is only told to a viewer", async () => {
    view(<SecondRecords detail={WREN} />, "viewer");
    await screen.findByText("Wren A.");
    expect(screen.queryByRole("button")).toBeNull();
    expect(screen.queryByRole("combobox")).toBeNull();
  });

  it("leads from the second record to the one that is kept, and apart", async () => {
    const { user, sent } = view(<PartOf detail={SECOND} />);
    const link = await screen.findByRole("link", { name: "Wren Ash" });
    expect(link.getAttribute("href")).toMatch(/\/students\/wren\/record$/);
    await user.click(await button("Take the two apart"));
    await screen.findByText("Wren A. is a student again, with 1 set and 0 decisions.");
    expect(sent.map(({ path }) => path)).toEqual(["/students/wren/second-records/two"]);
  });
});
