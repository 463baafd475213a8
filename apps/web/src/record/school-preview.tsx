import type { Items, PreviewItem } from "@mirrup/contract";
import type { SchoolId, SubjectSide } from "@mirrup/core";
import { Alert, Checkbox, Skeleton, Text } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { post } from "../app/api.js";
import { failureOf } from "../app/failure.js";
import { listWords, subjectName } from "../app/words.js";

interface SchoolPreviewProps {
  readonly studentId: string;
  /** Null for the studio's. */
  readonly school: SchoolId | null;
  readonly keeps: boolean;
  readonly onKeep: (keeps: boolean) => void;
}

function namesOf(sides: readonly SubjectSide[]): string {
  return listWords(sides.map(({ subject, side }) => subjectName(subject, side)));
}

/** What another school would clear and reopen for this student, before it is chosen. */
export function SchoolPreview({ studentId, school, keeps, onKeep }: SchoolPreviewProps) {
  const preview = useQuery({
    queryKey: ["students", studentId, "schools", "preview", school],
    queryFn: () => post<Items<PreviewItem>>("/studio/preview", { school, students: [studentId] }),
  });
  const failure = failureOf(preview);
  if (failure !== null) return <Text role="alert">{failure.message}</Text>;
  const item = preview.data?.items[0];
  if (item === undefined) return <Skeleton height={60} mt="sm" />;
  return (
    <Alert mt="sm" color="yellow" role="status">
      {item.clears.length > 0 && <Text>It clears {namesOf(item.clears)}.</Text>}
      {item.reopens.length > 0 && <Text>It reopens {namesOf(item.reopens)}.</Text>}
      {item.clears.length + item.reopens.length === 0 && <Text>It clears and reopens nothing.</Text>}
      {item.reopens.length > 0 && (
        <Checkbox
          mt="xs"
          checked={keeps}
          onChange={(event) => onKeep(event.currentTarget.checked)}
          label="Keep what was cleared, as cleared by hand with this reason"
        />
      )}
    </Alert>
  );
}
