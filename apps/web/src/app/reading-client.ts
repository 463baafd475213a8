import { QueryClient, type InvalidateOptions, type InvalidateQueryFilters } from "@tanstack/react-query";

/**
 * A cache of readings in which nothing is taken for newer than it is. What was read before is asked again by itself once
 * it is old; a first answer that is still on its way was asked before the change, and would be taken for what is now.
 */
export class ReadingClient extends QueryClient {
  override async invalidateQueries(
    filters: InvalidateQueryFilters = {},
    options: InvalidateOptions = {},
  ): Promise<void> {
    // What is not asked again must not be called back either.
    if (filters.refetchType !== "none") {
      const { predicate = () => true } = filters;
      await this.cancelQueries({
        ...filters,
        predicate: (query) => query.state.data === undefined && query.isActive() && predicate(query),
      });
    }
    return super.invalidateQueries(filters, options);
  }
}
