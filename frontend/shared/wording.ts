/** `1 row`, `12,400 rows` */
export function plural(count: number, one: string, many = `${one}s`): string {
  return `${count.toLocaleString('en-GB')} ${count === 1 ? one : many}`
}

/** `1 more row follows…`, `4,946 more rows follow…` */
export function rowsFollow(count: number): string {
  return `${plural(count, 'more row')} ${count === 1 ? 'follows' : 'follow'}…`
}

/** `1st`, `12th`, `23rd` */
export function nth(number: number): string {
  const isTeen = number % 100 > 10 && number % 100 < 14
  return number + (isTeen ? 'th' : (['th', 'st', 'nd', 'rd'][number % 10] ?? 'th'))
}

/** `a Route`, `an Account`, `a Unit` */
export function withArticle(name: string): string {
  return `${/^(?:[aeio]|u(?!ni|se|ti))/i.test(name) ? 'an' : 'a'} ${name}`
}

/** `on 5 Sep 2026 at 09:12` */
export function ago(at: string): string {
  const date = new Date(at)
  const day = date.toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })
  const time = date.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
  return `on ${day} at ${time}`
}

/** `5 Sep 2026, 09:12` */
export function stamp(at: string): string {
  return ago(at).replace(/^on /, '').replace(' at ', ', ')
}

/** `−10,030.5`: a decimal as the API gives it, for reading. */
export function grouped(decimal: string): string {
  const [whole = '', fraction] = decimal.replace('-', '−').split('.')
  return whole.replace(/\B(?=(\d{3})+$)/g, ',') + (fraction === undefined ? '' : `.${fraction}`)
}

/** Why a group's amount cannot be set. */
export function groupSays(member: string): string {
  return `${member} is a group: the sum of what stands in it. Change those.`
}
