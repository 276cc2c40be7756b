<script setup lang="ts">
import { computed, ref } from 'vue'
import { ask, says } from '../../shared/api'
import type { Finish, NamedFinish } from '../../shared/types'
import { useLoad } from '../../shared/useLoad'
import { useToast } from '../../shared/useToast'
import { LOOKS } from './keys'
import { looksOf } from './looks'

/** Looks under a name: put on this chart or on many at once; charts that bear the name follow when it is changed. */
const props = defineProps<{ finish: Finish }>()
const emit = defineEmits<{ change: [part: Partial<Finish>]; put: [named: NamedFinish]; renew: [] }>()
const { tell } = useToast()
const { value, problem, reload } = useLoad(['finishes'], () => ask<{ items: NamedFinish[] }>('GET', '/finishes'))
const all = computed(() => value.value?.items ?? [])
const own = computed(() => all.value.find(one => one.name === props.finish.named) ?? null)
const name = ref('')

const text = (finish: Finish) => JSON.stringify(LOOKS.map(key => finish[key] ?? null))
const isOther = computed(() => own.value !== null && text(own.value.finish) !== text(props.finish))

async function run(action: () => Promise<string>) {
  try {
    tell(await action())
    emit('renew')
    await reload()
  } catch (error) {
    tell(says(error))
  }
}
const use = (one: NamedFinish) => emit('change', looksOf(one))
const saveAs = () =>
  run(async () => {
    const made = await ask<NamedFinish>('POST', '/finishes', {
      body: { name: name.value.trim(), finish: props.finish },
    })
    emit('change', { named: made.name })
    name.value = ''
    return `The finish “${made.name}” is kept.`
  })
const save = (one: NamedFinish, part: { finish?: Finish; isDefault?: boolean }) =>
  run(async () => {
    await ask('PUT', `/finishes/${one.id}`, { version: one.version, body: { name: one.name, ...part } })
    return part.finish ? `“${one.name}” is changed, and the charts that bear it.` : `“${one.name}” is saved.`
  })
const remove = (one: NamedFinish) =>
  run(async () => {
    await ask('DELETE', `/finishes/${one.id}`, { version: one.version })
    return `The finish “${one.name}” is deleted. Charts keep their looks.`
  })
</script>

<template>
  <div class="space-y-1.5 border-t border-hairline pt-3" role="group" aria-label="Named finishes">
    <p class="label">Named finishes</p>
    <p v-if="problem" class="text-unfavourable-text" role="alert">{{ problem }}</p>
    <div v-for="one in all" :key="one.id" class="rounded-md border border-hairline px-2.5 py-1.5">
      <p class="flex items-baseline gap-2">
        <span class="min-w-0 flex-1 break-words" :class="own?.id === one.id ? 'font-semibold text-accent' : ''">{{
          one.name
        }}</span>
        <span v-if="one.isDefault" class="text-[12px] text-quiet">of new charts</span>
      </p>
      <p class="flex flex-wrap gap-x-3 text-[12px]">
        <button v-if="own?.id !== one.id" class="link" @click="use(one)">Use here</button>
        <button v-else-if="isOther" class="link" @click="save(one, { finish })">Change it to this</button>
        <button class="link" @click="emit('put', one)">Use on charts…</button>
        <button class="link" @click="save(one, { isDefault: !one.isDefault })">
          {{ one.isDefault ? 'Not for new charts' : 'For new charts' }}
        </button>
        <button class="link" :aria-label="`Delete the finish ${one.name}`" @click="remove(one)">Delete</button>
      </p>
    </div>
    <form class="flex gap-2" @submit.prevent="name.trim() && saveAs()">
      <input
        v-model="name"
        class="field min-w-0 flex-1"
        maxlength="200"
        aria-label="Name for this finish"
        placeholder="Keep this finish as" />
      <button class="button" type="submit" :disabled="!name.trim()">Keep</button>
    </form>
  </div>
</template>
