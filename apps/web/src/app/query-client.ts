import { QueryCache, QueryClient } from "@tanstack/react-query";
import { isProblem, isSignedOut } from "./api.js";

export const queryClient: QueryClient = new QueryClient({
  queryCache: new QueryCache({
    onError: (error) => {
      // The session is over: whoever shows it learns so at once.
      if (isSignedOut(error)) void queryClient.invalidateQueries({ queryKey: ["session"] });
    },
  }),
  defaultOptions: {
    queries: {
      staleTime: 15_000,
      // What the server refuses it will refuse again; silence, and having too much to do, are worth another try.
      retry: (failures, error) => (isProblem(error) ? error.problem.status === 503 : true) && failures < 2,
    },
  },
});
