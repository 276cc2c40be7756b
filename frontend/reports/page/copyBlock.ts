import { Problem } from '../../shared/api'
import { copyTogether, notCopied, type CopiedTable } from '../../shared/clipboard'
import { useToast } from '../../shared/useToast'
import type { PageBlock } from '../types'

/** What the rows of a chart say, a column for each number that some row has. */
export function tableOf(block: PageBlock): CopiedTable | undefined {
  const heads = [...new Set(block.rows.flatMap(row => row.numbers.map(({ head }) => head)))]
  const cells = (row: PageBlock['rows'][number]) =>
    heads.map(head => row.numbers.find(number => number.head === head)?.is ?? '')
  return block.rows.length
    ? {
        caption: block.scene?.title ?? '',
        heads: ['', ...heads],
        rows: block.rows.map(row => ({ label: row.label, cells: cells(row) })),
      }
    : undefined
}

/** Copies a block as it stands on its page, and says so. */
export async function copyBlock(report: number, block: PageBlock) {
  const { tell } = useToast()
  const picture = async (format: 'png' | 'svg') => {
    const answer = await fetch(`/reports/${report}/blocks/${block.id}.${format}${format === 'png' ? '?scale=2' : ''}`)
    if (!answer.ok) throw new Problem(answer.status, 'The picture could not be made. Try again in a moment.')
    return answer.blob()
  }
  try {
    tell(await copyTogether({ picture, table: tableOf(block) }))
  } catch (error) {
    tell(notCopied(error) ?? (error instanceof Problem ? error.detail : 'It could not be copied.'))
  }
}

/** Copies the address of the picture of a block, which is always as the block is. */
export async function copyAddress(report: number, block: PageBlock) {
  const { tell } = useToast()
  const address = `${window.location.origin}/reports/${report}/blocks/${block.id}.svg`
  try {
    await navigator.clipboard.writeText(address)
    tell('The address is copied. What links to it shows the block as it is; with .png or .json it is that.')
  } catch {
    tell(`The browser did not let it be copied: ${address}`)
  }
}
