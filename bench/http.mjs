/* How the benches ask the server, and read what they have spent. */
const send = async (base, method, path, body) => {
  const response = await fetch(base + path, {
    method,
    headers: { 'Content-Type': 'application/json' },
    body: body && JSON.stringify(body),
  })
  if (!response.ok) throw new Error(await response.text())
  return response.json()
}

/** Asks one server; what it refuses ends the bench. */
export const sender = base => (method, path, body) => send(base, method, path, body)

/** The value that this share of a list is below. */
export const at = (list, share) => list.sort((a, b) => a - b)[Math.floor(list.length * share)]
