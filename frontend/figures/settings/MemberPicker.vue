<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/vue'
import { onClickOutside } from '@vueuse/core'
import { holds } from '../../shared/search'

/** One member, found by typing; a group may be new. */
const props = defineProps<{ label: string; members: string[]; canBeNew?: boolean; none?: string }>()
const emit = defineEmits<{ choose: [name: string]; close: [] }>()
const MOST = 50
const sought = ref('')
const sheet = ref<HTMLElement | null>(null)
const found = computed(() => props.members.filter(one => holds(one, sought.value)).slice(0, MOST))
const isNew = computed(
  () => Boolean(props.canBeNew && sought.value.trim()) && !props.members.includes(sought.value.trim()),
)
/** Enter takes the first that was found, where the list has not marked one yet. */
function takeFirst(event: KeyboardEvent) {
  const first = isNew.value ? sought.value.trim() : sought.value || !props.none ? found.value[0] : ''
  if (first === undefined || sheet.value?.querySelector('[role=option][data-headlessui-state~=active]')) return
  event.preventDefault()
  event.stopPropagation()
  emit('choose', first)
}
onClickOutside(sheet, () => emit('close'))
onMounted(() => sheet.value?.querySelector('input')?.focus())
</script>

<template>
  <div ref="sheet" class="sheet top-full z-30 mt-1 w-72 p-2" @keydown.escape.stop="emit('close')">
    <Combobox immediate :model-value="null" @update:model-value="emit('choose', String($event))">
      <p class="label mb-1 px-1 break-words">{{ label }}</p>
      <ComboboxInput
        class="field w-full"
        :aria-label="label"
        :placeholder="canBeNew ? 'Find, or name a new one' : 'Find'"
        @change="sought = $event.target.value"
        @keydown.enter.capture="takeFirst" />
      <ComboboxOptions static class="mt-1 max-h-56 overflow-auto">
        <ComboboxOption v-if="isNew" :value="sought.trim()" class="choice break-words"
          >New: {{ sought.trim() }}</ComboboxOption
        >
        <ComboboxOption v-if="none && !sought" value="" class="choice text-quiet">{{ none }}</ComboboxOption>
        <ComboboxOption v-for="member in found" :key="member" :value="member" class="choice break-words">{{
          member || '(blank)'
        }}</ComboboxOption>
        <li v-if="!found.length && !isNew && !none" class="px-3 py-1.5 text-quiet">Nothing of that name.</li>
      </ComboboxOptions>
    </Combobox>
  </div>
</template>
