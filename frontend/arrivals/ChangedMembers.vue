<script setup lang="ts">
import { computed } from 'vue'
import type { ChangedMember } from '../shared/contract'
import { signed } from './signed'

/** Members whose amounts change, those that change most first; each can be left out. */
const props = defineProps<{ breakdown: string; members: ChangedMember[]; canPick: boolean }>()
const without = defineModel<string[]>({ required: true })
const own = computed(() => props.members.filter(one => one.breakdown === props.breakdown))
const key = (member: string) => `${props.breakdown}\n${member}`
function toggle(member: string, isTaken: boolean) {
  without.value = isTaken ? without.value.filter(one => one !== key(member)) : [...without.value, key(member)]
}
</script>

<template>
  <section :aria-label="`By ${breakdown}`">
    <h3 class="label mb-1">By {{ breakdown }}</h3>
    <table class="border-collapse">
      <tbody>
        <tr
          v-for="one in own"
          :key="`${one.member}${one.measure}`"
          class="border-t border-hairline"
          :class="without.includes(key(one.member)) ? 'text-quiet line-through' : ''">
          <th class="max-w-96 py-1 pr-8 text-left font-normal break-words" scope="row">
            <label class="flex items-baseline gap-2">
              <input
                v-if="canPick"
                type="checkbox"
                class="accent-accent"
                :aria-label="`Take ${one.member}`"
                :checked="!without.includes(key(one.member))"
                @change="toggle(one.member, ($event.target as HTMLInputElement).checked)" />
              <span>{{ one.member || 'no name' }}</span>
              <span v-if="one.like" class="text-[12px] font-semibold text-unfavourable-text"
                >may be {{ one.like }}</span
              >
              <span v-else-if="one.isNew" class="text-[12px] text-quiet">new</span>
            </label>
          </th>
          <td class="py-1 pr-8 text-quiet">{{ one.measure }}</td>
          <td class="w-28 py-1 text-right font-semibold">{{ signed(one.change) }}</td>
          <td class="py-1 pl-8 text-quiet">{{ one.amounts.toLocaleString('en-GB') }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
