/** The zone of this device. */
export const OWN_ZONE = Intl.DateTimeFormat().resolvedOptions().timeZone;

const option = (zone: string) => ({ value: zone, label: zone.replaceAll("_", " ") });

/** Every zone, as a list offers it. A device set to UTC is in a zone that the platform's list leaves out. */
export const ZONES = [...new Set([OWN_ZONE, ...Intl.supportedValuesOf("timeZone")])].map(option);

/** The same, with one that must be among them. */
export function zonesWith(zone: string): readonly { readonly value: string; readonly label: string }[] {
  return ZONES.some(({ value }) => value === zone) ? ZONES : [option(zone), ...ZONES];
}
