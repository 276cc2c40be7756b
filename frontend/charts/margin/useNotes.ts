import { ref, shallowRef, type Ref } from 'vue'
import { ask, conflict, says } from '../../shared/api'
import type { Note, Recipe } from '../../shared/types'
import { useToast } from '../../shared/useToast'

/** Writes, changes and deletes notes of rows; each can be undone with whatever else is done to the dataset. */
export function useNotes(dataset: Ref<number | null>, recipe: Ref<Recipe | null>, after: () => void) {
  const { tell } = useToast()
  /** The row that a note is being written about. */
  const writing = ref<string | null>(null)
  const editing = shallowRef<Note | null>(null)
  const problem = ref('')

  async function run(action: () => Promise<unknown>) {
    try {
      await action()
      writing.value = editing.value = null
      problem.value = ''
      after()
    } catch (error) {
      const theirs = conflict<Note>(error)
      problem.value = theirs ? `Somebody changed this note meanwhile. It says now: “${theirs.text}”` : says(error)
    }
  }

  function begin(row: string) {
    writing.value = row
    editing.value = null
    problem.value = ''
  }
  const write = (text: string) =>
    run(() =>
      ask('POST', `/datasets/${dataset.value}/notes`, { body: { recipe: recipe.value, row: writing.value, text } }),
    )
  const change = (note: Note, text: string) =>
    run(() => ask('PUT', `/notes/${note.id}`, { version: note.version, body: { text } }))
  const remove = (note: Note) =>
    run(async () => {
      await ask('DELETE', `/notes/${note.id}`, { version: note.version })
      tell('The note is deleted. Undo brings it back.')
    })
  function drop() {
    writing.value = editing.value = null
    problem.value = ''
  }

  return { writing, editing, problem, begin, write, change, remove, drop }
}
