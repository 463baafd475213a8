import type { ComboLinkView, ComboView } from "@mirrup/contract";
import { scoreOf } from "@mirrup/core";
import { comboText } from "@mirrup/core/combos";
import { Button, CopyButton, Group, Text, TextInput, Title } from "@mantine/core";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useMayTeach } from "../account/index.js";
import { post, remove } from "../app/api.js";
import { readAnew } from "../app/read-anew.js";
import { saveFile } from "../app/save-file.js";
import { tellFault } from "../app/undo.js";
import { dateTimeWords } from "../app/words.js";
import classes from "./combo.module.css";

interface ShareProps {
  readonly combo: ComboView;
  readonly tempo: number;
}

function fileName(name: string, ending: string): string {
  return `${
    name
      .replace(/[^\p{L}\p{N}]+/gu, "-")
      .replace(/^-|-$/g, "")
      .toLowerCase() || "combo"
  }.${ending}`;
}

/** A combo as files, and as a link that a student can open. */
export function Share({ combo, tempo }: ShareProps) {
  const { name, parts } = combo;
  const track = () => ({ name, score: scoreOf(comboText(parts)), tempo });
  const save = (work: () => Promise<void>) => void work().catch(tellFault);
  return (
    <section className={classes.section} aria-label="Share it">
      <Title order={2}>Share it</Title>
      <Group gap="sm">
        <Button
          variant="default"
          onClick={() =>
            saveFile(fileName(name, "txt"), `# ${name}\n${comboText(parts)}\n`, "text/plain;charset=utf-8")
          }
        >
          Text
        </Button>
        <Button
          variant="default"
          onClick={() =>
            save(async () => {
              const { jsonOf } = await import("./combo-file.js");
              saveFile(fileName(name, "json"), jsonOf(combo), "application/json");
            })
          }
        >
          JSON
        </Button>
        <Button
          variant="default"
          onClick={() =>
            save(async () => {
              const { midiOf } = await import("./combo-midi.js");
              saveFile(fileName(name, "mid"), midiOf(track()), "audio/midi");
            })
          }
        >
          MIDI click track
        </Button>
        <Button
          variant="default"
          onClick={() =>
            save(async () => {
              const { wavOf } = await import("./combo-wav.js");
              saveFile(fileName(name, "wav"), wavOf(track()), "audio/wav");
            })
          }
        >
          WAV click track
        </Button>
      </Group>
      <Text className={classes.quiet}>
        The click tracks run at {tempo} bounces a minute: a click each time the rope reaches the bottom,
        higher where the arms change in the air. Each file can be opened here again.
      </Text>
      <ReadingLink combo={combo} />
    </section>
  );
}

/** A link that shows the combo to whoever has it, until it is withdrawn. */
function ReadingLink({ combo }: { readonly combo: ComboView }) {
  const client = useQueryClient();
  const mayTeach = useMayTeach();
  const [token, setToken] = useState<string | null>(null);
  const refresh = () => readAnew(client, { topics: ["combos"] });
  const make = useMutation({
    mutationFn: () => post<ComboLinkView>(`/combos/${combo.id}/link`),
    onSuccess: async (made) => {
      setToken(made.token);
      await refresh();
    },
    onError: tellFault,
  });
  const withdraw = useMutation({
    mutationFn: () => remove<ComboView>(`/combos/${combo.id}/link`),
    onSuccess: async () => {
      setToken(null);
      await refresh();
    },
    onError: tellFault,
  });
  const address = token === null ? null : `${window.location.origin}/shared/${token}`;
  const isShared = combo.linkedAt !== null;
  return (
    <div className={classes.link}>
      <p>
        {isShared
          ? `A link shows this combo, and nothing else, to whoever has it, since ${dateTimeWords(combo.linkedAt)}.`
          : "Nobody can read this combo without signing in."}
      </p>
      {address !== null && (
        <Group align="end" gap="sm">
          <TextInput
            label="The link; it is shown only now"
            readOnly
            value={address}
            className={classes.address}
            onFocus={(event) => event.currentTarget.select()}
          />
          <CopyButton value={address}>
            {({ copied, copy }) => (
              <Button variant="default" onClick={copy}>
                {copied ? "Copied" : "Copy"}
              </Button>
            )}
          </CopyButton>
        </Group>
      )}
      {mayTeach && (
        <Group gap="sm">
          <Button variant="default" loading={make.isPending} onClick={() => make.mutate()}>
            {isShared ? "Make a new link; the old one ends" : "Make a link to read it"}
          </Button>
          {isShared && (
            <Button variant="subtle" loading={withdraw.isPending} onClick={() => withdraw.mutate()}>
              Withdraw the link
            </Button>
          )}
        </Group>
      )}
    </div>
  );
}
