import { MAX_PREVIEW, type Items, type SkillChange, type SkillPreviewItem } from "@mirrup/contract";
import { useDebouncedValue } from "@mantine/hooks";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { post } from "../app/api.js";
import { studentsQuery } from "../students/index.js";

/** Whoever still types is not asked about. */
const AFTER_MS = 400;

/**
 * Whom changes would touch, read in parts while nothing more is typed; null while that is not known. Nothing is asked
 * where there are none.
 */
export function useAffected(changes: readonly Pick<SkillChange, "subject" | "is">[]): {
  readonly items: readonly SkillPreviewItem[] | null;
  readonly isReading: boolean;
} {
  const client = useQueryClient();
  const asked = JSON.stringify(changes.map(({ subject, is }) => ({ subject, is })));
  const [settled] = useDebouncedValue(asked, AFTER_MS);
  const isAsked = changes.length > 0;
  const { data, isFetching } = useQuery({
    queryKey: ["groups", "all", "preview", settled],
    enabled: isAsked && settled === asked,
    queryFn: async ({ signal }) => {
      const students = await client.query({ ...studentsQuery, staleTime: "static" });
      const ids = students.map(({ id }) => id);
      const items: SkillPreviewItem[] = [];
      for (let from = 0; from < ids.length; from += MAX_PREVIEW) {
        signal.throwIfAborted();
        const part = ids.slice(from, from + MAX_PREVIEW);
        const reply = await post<Items<SkillPreviewItem>>("/catalogue/preview", {
          changes: JSON.parse(settled) as unknown,
          students: part,
        });
        items.push(...reply.items);
      }
      return items;
    },
  });
  const isKnown = isAsked && settled === asked && data !== undefined;
  return { items: isKnown ? data : null, isReading: isAsked && (isFetching || settled !== asked) };
}
