import { settingValue, type SettingValues } from "@mirrup/catalogue";
import { useQuery } from "@tanstack/react-query";
import type { LengthUnit } from "../app/words.js";
import { studioQuery } from "./queries.js";

/** How the studio teaches, or a student is taught otherwise: the value of a setting, and the unit of lengths. */
export function useSettings(): {
  readonly value: (id: string, own?: SettingValues) => string;
  readonly unit: LengthUnit;
} {
  const studio = useQuery(studioQuery);
  const value = (id: string, own: SettingValues = {}) => settingValue(id, own, studio.data?.settings ?? {});
  return { value, unit: value("units") === "in" ? "in" : "cm" };
}
