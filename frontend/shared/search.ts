const others: Record<string, string> = {
  ø: 'o',
  æ: 'ae',
  œ: 'oe',
  ł: 'l',
  đ: 'd',
  ð: 'd',
  þ: 'th',
  ı: 'i',
  ħ: 'h',
  ß: 'ss',
}

/** Text as it is sought: without case and without marks on letters, as the server folds it. `Öresund` is `oresund`. */
export function folded(text: string): string {
  return text
    .normalize('NFKD')
    .replace(/\p{Mn}+/gu, '')
    .toLowerCase()
    .replace(/[øæœłđðþıħß]/g, letter => others[letter] ?? letter)
}

/** Whether a text holds what is sought; what is sought may be empty. */
export function holds(text: string, sought: string): boolean {
  return folded(text).includes(folded(sought.trim()))
}
