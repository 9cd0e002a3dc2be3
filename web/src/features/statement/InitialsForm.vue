<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api, ask } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useCommand } from '@/api/useCommand'
import Failed from '@/parts/Failed.vue'

/** The initials of whoever awards: typed, and drawn with a finger or a mouse where they want. */
const emit = defineEmits<{ kept: [] }>()
const { data } = useAsked(async () => (await ask(api.GET('/api/me/initials'))).initials ?? null)
const typed = ref('')
const lines = ref<number[][]>([])
watch(data, (d) => {
  if (!d) return
  typed.value = d.typed
  lines.value = d.drawn ?? []
})
const changed = computed(
  () =>
    typed.value.trim() !== '' &&
    (typed.value.trim() !== data.value?.typed ||
      JSON.stringify(lines.value) !== JSON.stringify(data.value?.drawn ?? [])),
)
const { busy, failed, during } = useCommand()
const keep = () =>
  during(async () => {
    const drawn = lines.value.length ? lines.value : undefined
    data.value =
      (await ask(api.PUT('/api/me/initials', { body: { typed: typed.value, drawn } }))).initials ?? null
    emit('kept')
  })
/** Points closer than this are one. */
const NEAR = 0.008
function at(e: PointerEvent) {
  const box = (e.currentTarget as SVGElement).getBoundingClientRect()
  const within = (n: number) => Math.round(Math.min(1, Math.max(0, n)) * 1000) / 1000
  return [within((e.clientX - box.left) / box.width), within((e.clientY - box.top) / box.height)]
}
let pen = false
function down(e: PointerEvent) {
  ;(e.currentTarget as SVGElement).setPointerCapture(e.pointerId)
  pen = true
  lines.value = [...lines.value, at(e)]
}
function move(e: PointerEvent) {
  if (!pen) return
  const last = lines.value.at(-1)!
  const [x, y] = at(e) as [number, number]
  if (Math.hypot(x - last.at(-2)!, y - last.at(-1)!) < NEAR) return
  lines.value = [...lines.value.slice(0, -1), [...last, x, y]]
}
const W = 280
const H = 120
const points = (line: number[]) =>
  line
    .map((n, i) => (i % 2 ? n * H : n * W))
    .map((n) => n.toFixed(1))
    .join(' ')
</script>

<template>
  <form class="initials" @submit.prevent="keep">
    <label class="field above"
      >Initials <input v-model="typed" maxlength="8" autocomplete="off" required
    /></label>
    <div class="draw">
      <span class="soft small">Drawn, if you want</span>
      <svg
        :viewBox="`0 0 ${W} ${H}`"
        role="img"
        :aria-label="lines.length ? 'Initials as you drew them' : 'Room to draw your initials'"
        @pointerdown.prevent="down"
        @pointermove="move"
        @pointerup="pen = false"
        @pointercancel="pen = false"
      >
        <line :x1="16" :x2="W - 16" :y1="H - 24" :y2="H - 24" class="base" />
        <polyline v-for="(line, i) in lines" :key="i" :points="points(line)" />
      </svg>
      <button type="button" class="push" :disabled="!lines.length" @click="lines = []">Draw anew</button>
    </div>
    <button class="push main" :disabled="busy || !changed">Keep</button>
    <Failed :of="failed" />
  </form>
</template>

<style scoped>
.initials {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: flex-end;
}
.draw {
  display: grid;
  grid-template-columns: minmax(0, auto) auto;
  gap: 6px 14px;
  align-items: end;
}
.draw span {
  grid-column: 1 / -1;
}
svg {
  width: 280px;
  max-width: 100%;
  border: 1px solid var(--line);
  border-radius: 10px;
  background: var(--paper);
  touch-action: none;
  cursor: crosshair;
}
polyline {
  fill: none;
  stroke: var(--ink);
  stroke-width: 4;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.base {
  stroke: var(--line);
}
.small {
  font-size: 14px;
}
</style>
