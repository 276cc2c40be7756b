/** Ports of the servers, one for each worker, with its own copy of the demo. */
export const PORTS = [8047, 8048]
