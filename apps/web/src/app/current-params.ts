/**
 * What the address says now. A render's search parameters can be older: an address settles before the
 * page that shows it, and a change made from the older one would take the newer one back.
 */
export function currentParams(): URLSearchParams {
  return new URLSearchParams(window.location.search);
}
