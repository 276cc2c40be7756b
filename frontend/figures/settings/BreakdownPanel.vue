<script setup lang="ts">
import { computed, ref } from 'vue'
import { depthOf, isGroup } from '../../shared/slots/memberFilter'
import type { Breakdown } from '../../shared/types'
import ChoiceSetting from './ChoiceSetting.vue'
import MemberPicker from './MemberPicker.vue'
import TextSetting from './TextSetting.vue'
import { holds } from '../../shared/search'

/** A breakdown's members: their order, names, groups and roles; two that are the same are merged. */
const props = defineProps<{ breakdown: Breakdown; kept: number }>()
const emit = defineEmits<{ change: [title: string, path: string, body: object] }>()
const MOST = 200
const ROLES = [
  { value: '', label: 'no role' },
  { value: 'adds', label: 'adds' },
  { value: 'takes away', label: 'takes away' },
  { value: 'subtotal', label: 'subtotal' },
]

const sought = ref('')
const picked = ref(new Set<string>())
const asking = ref<{ what: 'group' | 'merge'; member: string | null } | null>(null)
const found = computed(() => props.breakdown.members.filter(one => holds(one, sought.value)))
const groups = computed(() => props.breakdown.members.filter(one => isGroup(props.breakdown, one)))

function change(title: string, body: object) {
  emit('change', title, `/breakdowns/${props.breakdown.id}`, body)
}
function pick(member: string) {
  const next = new Set(picked.value)
  if (!next.delete(member)) next.add(member)
  picked.value = next
}
const those = (member: string | null) => (member === null ? [...picked.value] : [member])

/** A place up or down among those of the same group. */
function move(member: string, by: 1 | -1) {
  const parent = props.breakdown.parents[member]
  const siblings = props.breakdown.members.filter(one => props.breakdown.parents[one] === parent)
  const at = siblings.indexOf(member)
  const before = siblings[by < 0 ? at - 1 : at + 2]
  if (by < 0 ? at <= 0 : at >= siblings.length - 1) return
  change(`Move ${member}?`, { move: member, before })
}
function setGroup(name: string) {
  const members = those(asking.value?.member ?? null)
  asking.value = null
  picked.value = new Set()
  change('Change the groups?', { members, group: name })
}
function merge(into: string) {
  const member = asking.value?.member
  asking.value = null
  if (member) change(`Merge ${member} into ${into}?`, { merge: member, into })
}
function setRole(members: string[], role: string) {
  picked.value = new Set()
  change('Change the role?', { members, role })
}
</script>

<template>
  <section class="mb-10" :aria-label="breakdown.name">
    <div class="flex items-baseline gap-4 border-b border-ink/40 pb-1">
      <TextSetting
        :label="`Name of ${breakdown.name}`"
        :value="breakdown.name"
        :kept="kept"
        width="w-64 font-semibold"
        required
        @change="change(`Rename ${breakdown.name}?`, { name: $event })" />
      <span class="ml-auto text-quiet"
        >{{ breakdown.members.length.toLocaleString('en-GB') }}
        {{ breakdown.members.length === 1 ? 'member' : 'members' }}</span
      >
    </div>
    <div
      v-if="picked.size"
      class="relative flex flex-wrap items-center gap-4 bg-accent-tint px-2 py-1.5"
      role="toolbar">
      <span>{{ picked.size }} chosen</span>
      <button class="link" @click="asking = { what: 'group', member: null }">Put into a group</button>
      <button class="link" @click="setRole(those(null), 'adds')">adds</button>
      <button class="link" @click="setRole(those(null), 'takes away')">takes away</button>
      <button class="link" @click="picked = new Set()">Choose none</button>
      <MemberPicker
        v-if="asking?.what === 'group' && asking.member === null"
        label="Group"
        :members="groups"
        can-be-new
        none="out of any group"
        @choose="setGroup"
        @close="asking = null" />
    </div>
    <input
      v-if="breakdown.members.length > 12"
      v-model="sought"
      class="field my-2 w-64"
      type="search"
      :aria-label="`Find in ${breakdown.name}`"
      placeholder="Find" />
    <ul>
      <li
        v-for="member in found.slice(0, MOST)"
        :key="member"
        class="group relative flex items-center gap-3 border-b border-hairline py-0.5 hover:bg-panel focus-within:bg-panel"
        :data-member="member"
        @keydown.alt.up.prevent="move(member, -1)"
        @keydown.alt.down.prevent="move(member, 1)">
        <input
          type="checkbox"
          class="size-4 shrink-0 accent-accent"
          :checked="picked.has(member)"
          :aria-label="`Choose ${member || '(blank)'}`"
          @change="pick(member)" />
        <div
          class="min-w-0 flex-1"
          :class="groups.includes(member) ? 'font-semibold' : ''"
          :style="{ paddingLeft: `${8 + depthOf(breakdown, member) * 18}px` }">
          <TextSetting
            :label="`Name of ${member || '(blank)'}`"
            :value="member"
            :kept="kept"
            required
            @change="change(`Rename ${member}?`, { rename: member, to: $event })" />
        </div>
        <ChoiceSetting
          class="w-28 shrink-0"
          :class="breakdown.roles[member] ? '' : 'text-quiet'"
          :label="`Role of ${member || '(blank)'}`"
          :value="breakdown.roles[member] ?? ''"
          :choices="ROLES"
          :kept="kept"
          @change="setRole([member], $event)" />
        <span
          class="flex w-64 shrink-0 items-center justify-end gap-3 text-[12px] opacity-0 group-focus-within:opacity-100 group-hover:opacity-100">
          <button
            class="px-1 text-quiet hover:text-accent"
            :aria-label="`Move ${member} up`"
            title="Alt ↑"
            @click="move(member, -1)">
            ↑
          </button>
          <button
            class="px-1 text-quiet hover:text-accent"
            :aria-label="`Move ${member} down`"
            title="Alt ↓"
            @click="move(member, 1)">
            ↓
          </button>
          <button class="link" :aria-label="`Group of ${member}`" @click="asking = { what: 'group', member }">
            Group
          </button>
          <button class="link" :aria-label="`Merge ${member}`" @click="asking = { what: 'merge', member }">
            Merge
          </button>
          <button
            class="link"
            :aria-label="`Remove ${member}`"
            @click="change(`Remove ${member}?`, { remove: member })">
            Remove
          </button>
        </span>
        <MemberPicker
          v-if="asking?.member === member"
          class="right-0"
          :label="asking.what === 'group' ? `Group of ${member}` : `Merge ${member} into`"
          :members="
            asking.what === 'group'
              ? groups.filter(one => one !== member)
              : breakdown.members.filter(one => one !== member)
          "
          :can-be-new="asking.what === 'group'"
          :none="asking.what === 'group' ? 'out of any group' : undefined"
          @choose="asking.what === 'group' ? setGroup($event) : merge($event)"
          @close="asking = null" />
      </li>
    </ul>
    <p v-if="!found.length" class="py-2 text-quiet">Nothing of that name.</p>
    <p v-else-if="found.length > MOST" class="py-2 text-quiet">
      And {{ found.length - MOST }} more: type to find them.
    </p>
    <ul v-if="breakdown.merged.length" class="mt-2 text-[12px] text-quiet">
      <li v-for="one in breakdown.merged" :key="one.name">
        {{ one.name }} counts as {{ one.into }}.
        <button
          class="link"
          :aria-label="`Separate ${one.name}`"
          @click="change(`Separate ${one.name}?`, { separate: one.name })">
          Separate
        </button>
      </li>
    </ul>
  </section>
</template>
