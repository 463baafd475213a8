import { SCHOOLS } from "@mirrup/catalogue";
import type { NewStudio } from "@mirrup/contract";
import { SCHOOL_IDS } from "@mirrup/core";
import { NativeSelect, TextInput } from "@mantine/core";
import type { UseFormReturnType } from "@mantine/form";
import { OWN_ZONE, ZONES } from "../app/time-zones.js";

export const NEW_STUDIO: NewStudio = { studioName: "", timeZone: OWN_ZONE, school: "quick-frontier" };

/** What a new studio needs: its name, its time zone and how it teaches. */
export function StudioFields<Values extends NewStudio>({
  form,
}: {
  readonly form: UseFormReturnType<Values>;
}) {
  return (
    <>
      <TextInput label="Name of the studio" size="md" {...form.getInputProps("studioName")} />
      <NativeSelect label="Time zone" size="md" data={ZONES} {...form.getInputProps("timeZone")} />
      <NativeSelect
        label="School"
        description={SCHOOLS[form.values.school].reason}
        size="md"
        data={SCHOOL_IDS.map((id) => ({ value: id, label: SCHOOLS[id].name }))}
        {...form.getInputProps("school")}
      />
    </>
  );
}
