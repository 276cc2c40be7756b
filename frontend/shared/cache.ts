import { QueryClient } from '@tanstack/vue-query'

/**
 * What the server keeps, as it was last answered, by key. Keys begin with the resource of the API: `['charts', …]`.
 *
 * What is shown again is shown at once and asked for anew. `ask` itself tries again while the server is busy.
 */
export const cache = new QueryClient({
  defaultOptions: {
    queries: { networkMode: 'always', retry: false, refetchOnWindowFocus: false, refetchOnReconnect: false },
  },
})
