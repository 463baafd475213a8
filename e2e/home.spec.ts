import { expect, expectAccessible, test } from "./fixtures.js";

/** Practice at home, from the link to what counts: on a phone without a sign-in, and without a network. */
test.use({ serviceWorkers: "allow" });

test("a link is made, practised by offline on a phone, accepted, and ended", async ({
  page,
  mirrup,
  browser,
}) => {
  await page.goto(`${await mirrup.studentPath("Amara Thistle")}/home`);
  await expectAccessible(page);
  await page.getByRole("checkbox", { name: /parent or guardian knows/ }).check();
  await page.getByRole("button", { name: "Make the link" }).click();
  const address = await page.getByLabel("The link, shown this once").inputValue();
  expect(address).not.toMatch(/amara|thistle/i);
  await expect(page.getByAltText("A square that a phone reads as the link")).toBeVisible();

  const phone = await browser.newContext({
    baseURL: mirrup.stack.address,
    viewport: { width: 390, height: 844 },
    serviceWorkers: "allow",
  });
  const home = await phone.newPage();
  const loaded: string[] = [];
  home.on("request", (request) => loaded.push(new URL(request.url()).pathname));
  await home.goto(new URL(address).pathname);
  await expect(home.getByRole("heading", { name: "Your practice" })).toBeVisible();
  await expect(home.locator("ol button").first()).toBeVisible();
  await expect(home.getByText(/Thistle|Quillhaven/)).toHaveCount(0);
  await expectAccessible(home);
  // On a home screen it begins by its link, whatever the phone keeps.
  const manifest = await home.locator('link[rel="manifest"]').getAttribute("href");
  const installed = (await (await home.request.get(manifest ?? "")).json()) as { readonly start_url: string };
  expect(installed.start_url).toBe(new URL(address).pathname);
  // A part of the application, and not the whole of it.
  expect(loaded.filter((path) => /controls|shared|frame/.test(path))).toEqual([]);
  // Its files are on the phone once the worker has been told of them.
  await expect
    .poll(() =>
      home.evaluate(async () => {
        const cache = await caches.open("mirrup-home-files");
        return (await cache.keys()).filter(({ url }) => url.includes("/assets/")).length;
      }),
    )
    .toBeGreaterThan(4);

  // What was called out once is called out without a network too.
  const kept = () =>
    home.evaluate(async () => {
      const cache = await caches.open("mirrup-home-files");
      return (await cache.keys()).filter(({ url }) => url.endsWith(".mp3")).length;
    });
  expect(await kept()).toBe(0);
  await home.locator("ol button").last().click();
  await home.getByRole("button", { name: "Call it out" }).click();
  await expect.poll(kept).toBe(1);
  await expect(home.getByText(/^[1-4]$/)).toBeVisible();
  await home.getByRole("button", { name: "Stop calling" }).click();
  await home.getByRole("button", { name: "Not now" }).click();
  await home.reload();
  await expect(home.locator("ol button").first()).toBeVisible();
  // The page has told its worker by then what it is to keep.
  await home.evaluate(() => navigator.serviceWorker.ready);
  await expect.poll(kept).toBe(1);

  await phone.setOffline(true);
  await home.goto("/home/");
  await home.locator("ol button").last().click();
  const name = (await home.getByRole("heading", { level: 1 }).textContent()) ?? "";
  const words = home.waitForResponse((reply) => reply.url().endsWith(".mp3"));
  await home.getByRole("button", { name: "Call it out" }).click();
  expect((await words).ok()).toBe(true);
  await expect(home.getByText(/^[1-4]$/)).toBeVisible();
  await home.getByRole("button", { name: "Stop calling" }).click();
  const picture = home.getByRole("button", { name: /^How .* is jumped$/ });
  await picture.click();
  await expect(picture).toHaveText("Stop");
  for (let tap = 0; tap < 3; tap += 1) await home.getByRole("button", { name: "Clean" }).click();
  await home.getByRole("button", { name: "Missed" }).click();
  // Closed in the middle, it goes on where it was.
  await home.reload();
  await expect(home.getByText("3 clean, 1 missed")).toBeVisible();
  await home.getByRole("button", { name: "Hand in" }).click();
  await expect(home.getByText(/1 set waits on this phone/)).toBeVisible();
  await phone.setOffline(false);
  await expect(home.getByText(/Handed in/)).toBeVisible({ timeout: 30_000 });

  await page.goto(`${mirrup.root}/today`);
  await page.getByRole("link", { name: "Amara Thistle: 1 set" }).click();
  await expect(page.getByText(name, { exact: false }).first()).toBeVisible();
  await expect(page.getByText(/3 clean, 1 missed/)).toBeVisible();
  await page.getByRole("button", { name: "Accept" }).click();
  await expect(page.getByText("The set counts now.")).toBeVisible();
  await expect(page.getByText("Nothing waits to be looked at.")).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await page.reload();
  await page.getByRole("button", { name: "Accept" }).click();
  await expect(page.getByText("Nothing waits to be looked at.")).toBeVisible();

  await page.getByRole("button", { name: "End the link" }).click();
  await expect(page.getByRole("button", { name: "Make the link" })).toBeVisible();
  await home.reload();
  await expect(home.getByRole("heading", { name: "Nothing to show" })).toBeVisible();
  await expect(home.locator("ol button")).toHaveCount(0);
  await phone.close();
});

test("a link that nobody made says what to do, with and without one", async ({ page }) => {
  await page.goto("/home/abcdefghijklmnopqrstuvwxyz");
  await expect(page.getByText(/has ended, or is not one of ours/)).toBeVisible();
  await page.evaluate(() => localStorage.clear());
  await page.goto("/home/");
  await expect(page.getByRole("heading", { name: "No link here" })).toBeVisible();
});
