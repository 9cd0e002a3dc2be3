<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import ChoiceField from '@/parts/ChoiceField.vue'
import Standing from '@/parts/Standing.vue'
import { FINGERS, hue, wash } from '@/parts/criteria'
import { counted, points, word } from '@/parts/words'

/** This term beside another one, or beside marks that were taken over: two bars a lane, and what is known of both. */
const props = defineProps<{ term: string }>()
const session = useSession()
const other = ref<string>()
const { data, problem, loading, again } = useAsked(() =>
  ask(
    api.GET('/api/terms/{term}/beside', {
      params: { path: { term: props.term }, query: { with: other.value } },
    }),
  ),
)
watch(other, () => void again())
const chosen = computed(() => other.value ?? data.value?.other?.id)
const sides = computed(() => (data.value ? [data.value.term, data.value.other].filter((s) => !!s) : []))
type Side = Schema['TermSide']
const level = (side: Side | undefined, of: 'criteria' | 'regions', id: string) =>
  side?.[of].find((m) => m.subject === id)
const regions = computed(() => [...new Set(sides.value.flatMap((s) => s.regions.map((r) => r.subject)))])
const kinds = computed(() => [...new Set(sides.value.flatMap((s) => s.hours.map((h) => h.kind)))])
const said = (m?: Schema['LevelMean']) =>
  !m ? 'not seen' : m.level === undefined ? `${counted(m.students, 'student')}: too few` : points(m.level)
const change = (of: 'criteria' | 'regions', id: string) => {
  const a = level(data.value?.term, of, id)?.level
  const b = level(data.value?.other, of, id)?.level
  if (a === undefined || b === undefined) return ''
  const by = Math.round(a) - Math.round(b)
  return by === 0 ? 'as before' : by > 0 ? `${by} more` : `${-by} less`
}
const rows = computed(() => [
  ...FINGERS.map((f) => ({
    of: 'criteria' as const,
    id: f.id as string,
    name: f.long,
    fill: [hue(f.id), wash(f.id)],
  })),
  ...regions.value.map((r) => ({
    of: 'regions' as const,
    id: r as string,
    name: session.regionName(r),
    fill: ['var(--ink-soft)', 'var(--edge)'],
  })),
])
</script>

<template>
  <Standing :problem="problem" :loading="loading && !data" @again="again" />
  <template v-if="data">
    <div class="card head">
      <ChoiceField
        v-if="data.choices.length"
        class="field"
        label="Beside"
        :options="
          data.choices.map((c) => ({ id: c.id, name: c.takenOver ? `${c.name}, taken over` : c.name }))
        "
        :model-value="chosen"
        @update:model-value="(id) => (other = id ? String(id) : undefined)"
      />
      <p v-if="!data.other" class="soft">
        Nothing was before this term here. Marks of before come out of a spreadsheet.
      </p>
      <router-link class="push" to="/earlier">Earlier marks</router-link>
    </div>
    <section v-if="data.other" class="card" aria-label="Levels">
      <h2>Levels</h2>
      <p class="soft">
        Mean of the students, each weighing the same. Above: {{ data.term.name }},
        {{ counted(data.term.students, 'student') }}; below: {{ data.other.name }},
        {{ counted(data.other.students, 'student') }}.
      </p>
      <div class="lanes">
        <template v-for="r in rows" :key="r.of + r.id">
          <span class="name">{{ r.name }}</span>
          <div class="bars">
            <div v-for="(s, i) in sides" :key="s.id" class="bar">
              <div class="track">
                <div
                  class="fill"
                  :style="{ width: `${level(s, r.of, r.id)?.level ?? 0}%`, background: r.fill[i] }"
                />
              </div>
              <span class="told">{{ said(level(s, r.of, r.id)) }}</span>
            </div>
          </div>
          <span class="soft by">{{ change(r.of, r.id) }}</span>
        </template>
      </div>
    </section>
    <div v-if="data.other" class="two">
      <section v-for="s in sides" :key="s.id" class="card" :aria-label="`Of ${s.name}`">
        <h2>{{ s.name }}</h2>
        <p class="soft">
          {{
            counted(
              s.pieces,
              s.takenOver ? 'mark taken over' : 'practical',
              s.takenOver ? 'marks taken over' : 'practicals',
            )
          }}
        </p>
        <template v-if="!s.takenOver">
          <h3>Most missed</h3>
          <p v-if="!s.missed.length" class="soft">No step was missed often enough to say.</p>
          <ul v-else>
            <li v-for="m in s.missed" :key="m.sequence + m.name">
              <b>{{ m.name }}</b> <span class="soft">{{ m.sequence }}</span>
              <span class="n">{{ m.wrong }} of {{ m.asked }}</span>
            </li>
          </ul>
        </template>
        <h3>Graders</h3>
        <p v-if="!s.graders.length" class="soft">No mark says who gave it.</p>
        <ul v-else>
          <li v-for="g in s.graders" :key="g.name" :title="g.severity.meaning">
            <b>{{ g.name }}</b>
            <span class="n">{{
              g.severity.value === undefined
                ? `${g.severity.cases} of ${g.severity.needed} marks`
                : g.severity.value < -0.5
                  ? `${points(-g.severity.value)} lower than others`
                  : g.severity.value > 0.5
                    ? `${points(g.severity.value)} higher than others`
                    : 'as others'
            }}</span>
          </li>
        </ul>
        <template v-if="!s.takenOver && kinds.length">
          <h3>Hours of a student</h3>
          <ul>
            <li v-for="h in s.hours" :key="h.kind">
              <b>{{ word(h.kind) }}</b>
              <span class="n">{{ h.hours.toFixed(1) }}{{ h.asked ? ` of ${h.asked}` : '' }}</span>
            </li>
          </ul>
        </template>
      </section>
    </div>
  </template>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
.lanes {
  display: grid;
  grid-template-columns: minmax(110px, max-content) minmax(0, 1fr) max-content;
  gap: 8px 14px;
  align-items: center;
}
.name {
  font-weight: 600;
}
.bars {
  display: flex;
  flex-direction: column;
  gap: 3px;
}
.bar {
  display: flex;
  gap: 8px;
  align-items: center;
}
.track {
  flex: 1;
  height: 18px;
  background: var(--ground);
  border-radius: 6px;
  overflow: hidden;
}
.fill {
  height: 100%;
}
.told {
  flex: 0 0 130px;
  font-size: 13.5px;
  font-weight: 600;
}
.by {
  font-size: 14px;
}
.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 360px), 1fr));
  gap: 16px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
li {
  display: flex;
  gap: 8px;
  align-items: baseline;
  padding: 4px 0;
}
.n {
  margin-left: auto;
}
h3 {
  margin: 10px 0 2px;
  font-size: 15px;
}
@media (max-width: 640px) {
  .lanes {
    grid-template-columns: minmax(0, 1fr);
    gap: 2px;
  }
}
</style>
