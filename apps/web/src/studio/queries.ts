import type { AuditView, EditionView, Items, MailView, MemberView } from "@mirrup/contract";
import { queryOptions } from "@tanstack/react-query";
import { get } from "../app/api.js";

export const peopleQuery = queryOptions({
  queryKey: ["studio", "people"],
  queryFn: async ({ signal }) => (await get<Items<MemberView>>("/people", signal)).items,
});

export const mailQuery = queryOptions({
  queryKey: ["studio", "mail"],
  queryFn: async ({ signal }) => (await get<Items<MailView>>("/mail", signal)).items,
});

export const auditQuery = queryOptions({
  queryKey: ["studio", "audit"],
  queryFn: async ({ signal }) => (await get<Items<AuditView>>("/audit", signal)).items,
});

/** What was changed of what is taught, the newest first; it is another whenever the catalogue is. */
export const editionsQuery = queryOptions({
  queryKey: ["catalogue", "editions"],
  queryFn: async ({ signal }) => (await get<Items<EditionView>>("/catalogue/editions", signal)).items,
});
