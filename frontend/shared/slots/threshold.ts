/** `20k`, `1.5 m`, `20,000` as plain digits; null where it is no number of zero or more. */
export function thresholdDigits(text: string): string | null {
  const match = /^([\d,]*)(?:\.(\d+))?\s*(k|m|bn|%)?$/i.exec(text.trim())
  if (!match || !(match[1] || match[2])) return null
  const zeros = { k: 3, m: 6, bn: 9 }[(match[3] ?? '').toLowerCase()] ?? 0
  const fraction = (match[2] ?? '').padEnd(zeros, '0')
  const whole = ((match[1] ?? '').replaceAll(',', '') + fraction.slice(0, zeros)).replace(/^0+(?=\d)/, '')
  return (whole || '0') + (fraction.slice(zeros) ? `.${fraction.slice(zeros)}` : '')
}
