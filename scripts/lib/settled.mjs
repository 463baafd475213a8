/** How long nothing on a page has to change, and how long is waited for that where something always does. */
const CALM_MS = 300;
const LONGEST_MS = 5000;

/**
 * Waits until a page has its heading, nothing on it is still being read, and it has come to rest. The network never
 * does: every page waits for what others change.
 */
export async function settled(page) {
  await page.waitForFunction(
    () =>
      document.querySelector("h1") !== null &&
      document.querySelector('[aria-busy="true"], .mantine-Skeleton-root') === null,
  );
  await page.evaluate(
    ([calm, longest]) =>
      new Promise((resolve) => {
        const rest = () => setTimeout(resolve, calm);
        let timer = rest();
        const observer = new MutationObserver(() => {
          clearTimeout(timer);
          timer = rest();
        });
        observer.observe(document.body, { childList: true, subtree: true, characterData: true });
        setTimeout(resolve, longest);
      }),
    [CALM_MS, LONGEST_MS],
  );
}
