import type { HandleQuery } from "@mirrup/contract";
import { handleQuery, handleReply } from "@mirrup/contract/schemas";
import { Controller, Headers, Query, Sse, type MessageEvent } from "@nestjs/common";
import type { Observable } from "rxjs";
import { Reading } from "../door/index.js";
import { handleEvents } from "./playing.js";

@Controller("handle")
export class HandleController {
  @Sse("stream")
  @Reading({
    says: "Turns and trips of a simulated jumper as server-sent events, in the time in which they happen. Its line breaks now and then; who comes back with the last event's id hears what was missed",
    for: "signed-in",
    reply: handleReply,
  })
  stream(
    @Query({ schema: handleQuery }) jumper: HandleQuery,
    @Headers("last-event-id") lastHeard?: string,
  ): Observable<MessageEvent> {
    return handleEvents(jumper, lastHeard, Date.now());
  }
}
