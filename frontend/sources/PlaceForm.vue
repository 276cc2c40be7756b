<script setup lang="ts">
import { computed, ref } from 'vue'
import { ask, says } from '../shared/api'
import SentenceOfTrouble from '../shared/SentenceOfTrouble.vue'
import type { Source, SourceOffers, SourceTables } from '../shared/contract'
import { useLoad } from '../shared/useLoad'
import type { SourceDraft } from './useSource'

/** Where figures are: an address on the web, a database, a folder. */
const props = defineProps<{ dataset: number; source: Source | null }>()
const draft = defineModel<SourceDraft>({ required: true })
const kinds = [
  ['web', 'An address on the web'],
  ['database', 'A database'],
  ['folder', 'A folder'],
] as const
const first: Record<Source['kind'], Record<string, unknown>> = {
  web: { address: '', authentication: 'none', pages: 'none' },
  database: { engine: 'postgresql', host: '', database: '', user: '', table: '' },
  folder: { folder: '', pattern: '*.csv' },
}
const { value: offers } = useLoad(['sources', 'offers'], signal =>
  ask<SourceOffers>('GET', '/sources/offers', { signal }),
)
const tables = ref<SourceTables['items']>([])
const trouble = ref('')

const text = (key: string) =>
  computed<string>({ get: () => String(draft.value.settings[key] ?? ''), set: value => set(key, value) })
function set(key: string, value: unknown) {
  const others = Object.entries(draft.value.settings).filter(([name]) => name !== key)
  // What is empty is not told: each kind has its own beginning.
  const isTold = value !== '' || ['address', 'folder', 'pattern', 'rows'].includes(key)
  draft.value = { ...draft.value, settings: Object.fromEntries(isTold ? [...others, [key, value]] : others) }
}
const [address, user, header, rows, parameter, host, database, table, query, folder, pattern] = [
  'address',
  'user',
  'header',
  'rows',
  'parameter',
  'host',
  'database',
  'table',
  'query',
  'folder',
  'pattern',
].map(text) as [ReturnType<typeof text>, ...ReturnType<typeof text>[]]
const isJson = computed({
  get: () => 'rows' in draft.value.settings,
  set: value => {
    const settings = { ...draft.value.settings, rows: '' }
    if (!value) delete (settings as Record<string, unknown>).rows
    draft.value = { ...draft.value, settings }
  },
})
const secret = computed({
  get: () => draft.value.secret ?? '',
  set: value => (draft.value = { ...draft.value, secret: value }),
})
const asksSecret = computed(
  () =>
    (draft.value.kind === 'web' && draft.value.settings.authentication !== 'none') ||
    (draft.value.kind === 'database' && draft.value.settings.engine !== 'sqlite'),
)
const keepsSecret = computed(() => (props.source?.hasSecret ?? false) && draft.value.secret === null)

function choose(kind: Source['kind']) {
  draft.value = { ...draft.value, kind, settings: { ...first[kind] }, secret: null }
}
function ofEngine(engine: string) {
  const { table: own, query: told, database: name } = draft.value.settings
  const settings = {
    ...first.database,
    database: name ?? '',
    engine,
    table: own ?? '',
    ...(told ? { query: told } : {}),
  }
  if (engine === 'sqlite') {
    delete (settings as Record<string, unknown>).host
    delete (settings as Record<string, unknown>).user
  }
  draft.value = { ...draft.value, settings }
}
async function offer() {
  trouble.value = ''
  try {
    const { items } = await ask<SourceTables>('POST', '/sources/tables', {
      body: {
        dataset: props.dataset,
        kind: 'database',
        settings: { ...draft.value.settings, query: undefined, table: 'any' },
        ...(draft.value.secret === null ? {} : { secret: draft.value.secret }),
        ...(props.source ? { source: props.source.id } : {}),
      },
    })
    tables.value = items
  } catch (error) {
    trouble.value = says(error)
  }
}
const columns = computed(() => tables.value?.find(one => one.name === table?.value)?.columns ?? [])
const placeholders = '{period} {from} {to}'
</script>

<template>
  <div>
    <fieldset v-if="!source" class="mb-4 flex flex-wrap gap-x-6 gap-y-1">
      <legend class="sr-only">Kind of source</legend>
      <label v-for="[id, words] in kinds" :key="id" class="flex items-baseline gap-2">
        <input type="radio" name="kind" class="accent-accent" :checked="draft.kind === id" @change="choose(id)" />{{
          words
        }}
      </label>
    </fieldset>
    <template v-if="draft.kind === 'web'">
      <label class="block"
        ><span class="label mb-1 block">Address</span
        ><input
          v-model="address"
          class="field w-full"
          type="url"
          placeholder="https://ledger.example/entries?from={from}&to={to}"
          spellcheck="false"
      /></label>
      <p class="mt-1 text-[12px] text-quiet">
        {{ placeholders }} stand for what is due: the month that is over, its first and its last day.
      </p>
      <div class="mt-3 flex flex-wrap items-end gap-3">
        <label
          ><span class="label mb-1 block">Sign in</span
          ><select
            class="field"
            :value="draft.settings.authentication"
            @change="set('authentication', ($event.target as HTMLSelectElement).value)">
            <option value="none">not needed</option>
            <option value="basic">name and password</option>
            <option value="bearer">token</option>
            <option value="header">a header of its own</option>
          </select></label
        >
        <label v-if="draft.settings.authentication === 'basic'"
          ><span class="label mb-1 block">Name</span><input v-model="user" class="field" autocomplete="off"
        /></label>
        <label v-if="draft.settings.authentication === 'header'"
          ><span class="label mb-1 block">Header</span
          ><input v-model="header" class="field" placeholder="X-Api-Key" autocomplete="off"
        /></label>
        <label v-if="asksSecret"
          ><span class="label mb-1 block">{{ draft.settings.authentication === 'basic' ? 'Password' : 'Secret' }}</span
          ><input
            v-model="secret"
            class="field"
            type="password"
            autocomplete="new-password"
            :placeholder="keepsSecret ? 'kept, and not shown' : ''"
        /></label>
      </div>
      <div class="mt-3 flex flex-wrap items-end gap-3">
        <label
          ><span class="label mb-1 block">It answers with</span
          ><select v-model="isJson" class="field">
            <option :value="false">a file: CSV, JSON lines, XLSX, ODS</option>
            <option :value="true">JSON</option>
          </select></label
        >
        <label v-if="isJson"
          ><span class="label mb-1 block">Rows at</span
          ><input v-model="rows" class="field" placeholder="data.entries" spellcheck="false"
        /></label>
        <label
          ><span class="label mb-1 block">Pages</span
          ><select
            class="field"
            :value="draft.settings.pages"
            @change="set('pages', ($event.target as HTMLSelectElement).value)">
            <option value="none">one answer</option>
            <option value="link">by a link to the next</option>
            <option value="number">by a number in the address</option>
          </select></label
        >
        <label v-if="draft.settings.pages === 'number'"
          ><span class="label mb-1 block">Named</span><input v-model="parameter" class="field w-28" placeholder="page"
        /></label>
      </div>
    </template>
    <template v-else-if="draft.kind === 'database'">
      <div class="flex flex-wrap items-end gap-3">
        <label
          ><span class="label mb-1 block">System</span
          ><select
            class="field"
            :value="draft.settings.engine"
            @change="ofEngine(($event.target as HTMLSelectElement).value)">
            <option value="postgresql">PostgreSQL</option>
            <option value="mariadb">MariaDB, MySQL</option>
            <option value="sqlite">SQLite</option>
          </select></label
        >
        <template v-if="draft.settings.engine !== 'sqlite'">
          <label
            ><span class="label mb-1 block">Host</span
            ><input v-model="host" class="field" placeholder="db.example" spellcheck="false"
          /></label>
          <label
            ><span class="label mb-1 block">Port</span
            ><input
              class="field w-24"
              type="number"
              min="1"
              max="65535"
              :value="draft.settings.port ?? ''"
              :placeholder="draft.settings.engine === 'mariadb' ? '3306' : '5432'"
              @input="set('port', Number(($event.target as HTMLInputElement).value) || '')"
          /></label>
        </template>
        <label class="min-w-44 flex-1"
          ><span class="label mb-1 block">{{ draft.settings.engine === 'sqlite' ? 'File' : 'Database' }}</span
          ><input v-model="database" class="field w-full" spellcheck="false"
        /></label>
      </div>
      <div v-if="draft.settings.engine !== 'sqlite'" class="mt-3 flex flex-wrap items-end gap-3">
        <label
          ><span class="label mb-1 block">Name</span><input v-model="user" class="field" autocomplete="off"
        /></label>
        <label
          ><span class="label mb-1 block">Password</span
          ><input
            v-model="secret"
            class="field"
            type="password"
            autocomplete="new-password"
            :placeholder="keepsSecret ? 'kept, and not shown' : ''"
        /></label>
      </div>
      <div class="mt-3 flex flex-wrap items-end gap-3">
        <label
          ><span class="label mb-1 block">Table</span
          ><input v-model="table" class="field w-64" list="source-tables" spellcheck="false" :disabled="query !== ''"
        /></label>
        <button type="button" class="button" @click="offer">Show its tables</button>
        <datalist id="source-tables"><option v-for="one in tables" :key="one.name" :value="one.name" /></datalist>
      </div>
      <p v-if="columns.length" class="mt-1 text-[12px] text-quiet">Its columns: {{ columns.join(', ') }}</p>
      <SentenceOfTrouble v-if="trouble" class="mt-2" :says="trouble" />
      <label class="mt-3 block"
        ><span class="label mb-1 block">or one SELECT</span
        ><textarea
          v-model="query"
          class="field h-24 w-full py-2"
          spellcheck="false"
          :disabled="table !== ''"
          placeholder="SELECT day, route, amount FROM postings WHERE day BETWEEN :from AND :to" />
      </label>
      <p class="mt-1 text-[12px] text-quiet">It is read only; :period, :from and :to stand for what is due.</p>
    </template>
    <template v-else>
      <div class="flex flex-wrap items-end gap-3">
        <label class="min-w-72 flex-1"
          ><span class="label mb-1 block">Folder</span
          ><input v-model="folder" class="field w-full" list="source-folders" spellcheck="false"
        /></label>
        <datalist id="source-folders">
          <option v-for="one in offers?.folders" :key="one" :value="one" />
        </datalist>
        <label
          ><span class="label mb-1 block">Files called</span
          ><input v-model="pattern" class="field" placeholder="ledger-*.csv" spellcheck="false"
        /></label>
      </div>
      <p class="mt-1 text-[12px] text-quiet">
        {{
          offers?.folders.length
            ? 'The newest file that matches is read, each once; none is moved.'
            : 'No folder is allowed yet. Whoever runs Keen Margin names them in KEEN_FOLDERS.'
        }}
      </p>
    </template>
  </div>
</template>
