<script setup lang="ts">
import type { Mark } from '../types'
import { chartFont, hatches } from '../notation'

const props = defineProps<{ marks: Mark[]; prefix: string; inks: Record<string, string> }>()

function paint(name: string | undefined, prefix: string): string {
  if (!name) return 'none'
  return hatches.includes(name) ? `url(#${prefix}${name})` : (props.inks[name] ?? 'none')
}

function path(mark: Mark): string {
  return `M${(mark.points ?? []).map((point) => point.join(' ')).join('L')}${mark.fill ? 'Z' : ''}`
}
</script>

<template>
  <template v-for="(mark, i) in marks" :key="i">
    <g v-if="mark.type === 'group'" :class="mark.role">
      <SceneMarks :marks="mark.marks ?? []" :prefix="prefix" :inks="inks" />
    </g>
    <rect
      v-else-if="mark.type === 'rect'"
      :x="mark.x"
      :y="mark.y"
      :width="mark.width"
      :height="mark.height"
      :fill="paint(mark.fill, prefix)"
      :stroke="paint(mark.stroke, prefix)"
      :data-key="mark.key"
      :data-role="mark.role"
      :data-of="mark.of"
    />
    <line
      v-else-if="mark.type === 'line'"
      :x1="mark.x1"
      :y1="mark.y1"
      :x2="mark.x2"
      :y2="mark.y2"
      :stroke="paint(mark.stroke, prefix)"
      :stroke-width="mark.thickness"
      :stroke-dasharray="mark.dash"
      :data-key="mark.key"
      :data-role="mark.role"
    />
    <circle
      v-else-if="mark.type === 'circle'"
      :cx="mark.x"
      :cy="mark.y"
      :r="mark.radius"
      :fill="paint(mark.fill, prefix)"
      :stroke="paint(mark.stroke, prefix)"
      :stroke-width="mark.thickness"
      :data-key="mark.key"
      :data-role="mark.role"
      :data-of="mark.of"
    />
    <path
      v-else-if="mark.type === 'path'"
      :d="path(mark)"
      :fill="paint(mark.fill, prefix)"
      :stroke="paint(mark.stroke, prefix)"
      :stroke-width="mark.thickness"
      :data-key="mark.key"
      :data-role="mark.role"
      :data-of="mark.of"
    />
    <text
      v-else
      :x="mark.x"
      :y="mark.y"
      :font-size="mark.size"
      :font-weight="mark.weight"
      :text-anchor="mark.anchor"
      :fill="paint(mark.fill, prefix)"
      :font-family="chartFont"
      :data-key="mark.key"
      :data-role="mark.role"
      >{{ mark.text }}</text
    >
  </template>
</template>
