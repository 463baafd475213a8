import { optionOf, SETTINGS, type SettingValues } from "@mirrup/catalogue";
import { Accordion, NativeSelect } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { studioQuery } from "../students/index.js";
import classes from "./record-page.module.css";

/** What is one student's own; how lengths are written is everybody's. */
const OWN = SETTINGS.filter((setting) => setting.id !== "units");

interface SettingsFieldProps {
  readonly chosen: SettingValues;
  readonly onChange: (settings: SettingValues) => void;
}

/** What this student is taught otherwise than the studio has it. */
export function SettingsField({ chosen, onChange }: SettingsFieldProps) {
  const studio = useQuery(studioQuery);
  const own = OWN.filter((setting) => chosen[setting.id] !== undefined).length;
  return (
    <Accordion mt="sm" chevronPosition="left" variant="default">
      <Accordion.Item value="settings">
        <Accordion.Control>
          {own === 0 ? "Taught as the studio teaches" : `${own} taught otherwise than the studio does`}
        </Accordion.Control>
        <Accordion.Panel>
          <div className={classes.pair}>
            {OWN.map((setting) => (
              <NativeSelect
                key={setting.id}
                label={setting.name}
                size="md"
                data={[
                  {
                    value: "",
                    label: `the studio’s: ${optionOf(setting, studio.data?.settings ?? {}).name}`,
                  },
                  ...setting.options.map(({ id, name }) => ({ value: id, label: name })),
                ]}
                value={chosen[setting.id] ?? ""}
                onChange={(event) => {
                  const { [setting.id]: _, ...others } = chosen;
                  const value = event.currentTarget.value;
                  onChange(value === "" ? others : { ...others, [setting.id]: value });
                }}
              />
            ))}
          </div>
        </Accordion.Panel>
      </Accordion.Item>
    </Accordion>
  );
}
