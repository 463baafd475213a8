import { QueryCache } from "@tanstack/react-query";
import { queryHash } from "./query-hash.js";
import { isProblem, isSignedOut } from "./api.js";
import { ReadingClient } from "./reading-client.js";

export const queryClient: ReadingClient = new ReadingClient({
  queryCache: new QueryCache({
    onError: (error) => {
      // The session is over: whoever shows it learns so at once.
      if (isSignedOut(error)) void queryClient.invalidateQueries({ queryKey: ["session"] });
    },
  }),
  defaultOptions: {
    queries: {
      queryKeyHashFn: queryHash,
      staleTime: 15_000,
      // Whether there is a network, the browser only guesses: it is asked, and silence is told.
      networkMode: "always",
      refetchOnReconnect: true,
      // What the server refuses it will refuse again; silence, and having too much to do, are worth another try.
      retry: (failures, error) => !isProblem(error) && failures < 2,
    },
    mutations: { networkMode: "always" },
  },
});
