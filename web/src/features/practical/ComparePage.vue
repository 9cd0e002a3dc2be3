<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, ask } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import { FINGERS, hue } from '@/parts/criteria'
import Standing from '@/parts/Standing.vue'
import Strip from '@/parts/Strip.vue'
import { day, points } from '@/parts/words'
import { stripOfView } from './tableModel'

/** Two runs side by side: of one student at two times, or of one run by two graders. */
const props = defineProps<{ first: string; second: string }>()
const session = useSession()
const one = (id: string) => ask(api.GET('/api/practicals/{id}', { params: { path: { id } } }))
const {
  data: both,
  problem,
  loading,
  again,
} = useAsked(async () => {
  const two = await Promise.all([one(props.first), one(props.second)])
  // Of one student the earlier run stands first.
  return two[0].startedAt <= two[1].startedAt ? two : two.toReversed()
})
const moment = ref<number>()
const pair = computed(() => both.value?.[0]?.beside === both.value?.[1]?.id)
const total = computed(() =>
  Math.max(1, ...(both.value ?? []).map((v) => Math.max(v.spans.at(-1)?.end ?? 1, v.run.end / 1000))),
)
const strips = computed(() =>
  (both.value ?? []).map((v) => stripOfView(v, total.value, session.pointedTools)),
)
const named = (i: number) => {
  const v = both.value![i]!
  return pair.value ? v.grader.name : day(v.startedAt)
}
const lines = computed(() =>
  FINGERS.map((f) => {
    const [a, b] = (both.value ?? []).map((v) => {
      const c = v.scores?.criteria.find((x) => x.criterion === f.id)
      return { value: v.award?.award.criteria?.[f.id]?.value ?? c?.score, seen: c?.observations ?? 0, c }
    })
    const by = a?.value != null && b?.value != null ? b.value - a.value : undefined
    const findings = (x: typeof a) => new Set(x?.c?.findings.map((g) => g.rule) ?? [])
    const [fa, fb] = [findings(a), findings(b)]
    return {
      ...f,
      a,
      b,
      by,
      gone: [...fa].filter((r) => !fb.has(r)),
      came: [...fb].filter((r) => !fa.has(r)),
    }
  }),
)
const meaning = computed(() => {
  const all = (both.value ?? []).flatMap((v) => v.scores?.criteria.flatMap((c) => c.findings) ?? [])
  return new Map(all.map((f) => [f.rule, f.meaning]))
})
</script>

<template>
  <div class="page">
    <Standing :problem="problem" :loading="loading && !both" @again="again" />
    <template v-if="both">
      <div class="top">
        <router-link class="push" :to="`/review/${first}`" aria-label="Back">←</router-link>
        <div>
          <h1>{{ both[0]!.student.name }}</h1>
          <span class="soft">{{
            pair ? `${both[0]!.sequence.name}, one run, two graders` : 'two runs, the earlier one above'
          }}</span>
        </div>
      </div>
      <section v-for="(s, i) in strips" :key="i" :aria-label="named(i)">
        <h2>
          {{ named(i) }} <span class="soft">{{ both[i]!.sequence.name }}</span>
          <span class="soft">
            · rating {{ points(both[i]!.rating) }}
            <template v-if="both[i]!.award">
              · {{ both[i]!.award!.outcome.result }} {{ points(both[i]!.award!.outcome.mean) }}</template
            ></span
          >
        </h2>
        <Strip :model="s" slim :playhead="moment" @moment="moment = $event" />
      </section>
      <table class="card" tabindex="0">
        <thead>
          <tr>
            <th>Criterion</th>
            <th>{{ named(0) }}</th>
            <th>{{ named(1) }}</th>
            <th>{{ pair ? 'Apart' : 'Change' }}</th>
            <th>{{ pair ? 'Seen by one only' : 'What went, what came' }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="l in lines" :key="l.id">
            <th :style="{ color: hue(l.id) }">{{ l.name }}</th>
            <td>
              {{ points(l.a?.value) }} <span class="soft">{{ l.a?.seen }} seen</span>
            </td>
            <td>
              {{ points(l.b?.value) }} <span class="soft">{{ l.b?.seen }} seen</span>
            </td>
            <td
              :class="
                pair ? { came: Math.abs(l.by ?? 0) >= 15 } : { went: (l.by ?? 0) > 0, came: (l.by ?? 0) < 0 }
              "
            >
              {{
                l.by === undefined
                  ? 'not seen twice'
                  : pair
                    ? Math.abs(Math.round(l.by))
                    : `${l.by > 0 ? '+' : l.by < 0 ? '−' : '±'}${Math.abs(Math.round(l.by))}`
              }}
            </td>
            <td>
              <p v-for="r in l.gone" :key="r" :class="{ went: !pair }">
                {{ pair ? `${named(0)}:` : 'mended:' }} {{ meaning.get(r) }} <small>{{ r }}</small>
              </p>
              <p v-for="r in l.came" :key="r" :class="{ came: !pair }">
                {{ pair ? `${named(1)}:` : 'new:' }} {{ meaning.get(r) }} <small>{{ r }}</small>
              </p>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="pair" class="soft">
        What you agree on goes into the award of the first grader, each change with its reason:
        <router-link :to="`/review/${both[0]!.id}`">open it</router-link>.
      </p>
    </template>
  </div>
</template>

<style scoped src="./beside.css"></style>
<style scoped>
td {
  font-weight: 650;
}
td .soft,
h2 .soft {
  font-weight: 400;
  font-size: 14px;
}
td p {
  margin: 0;
  font-weight: 500;
}
td small {
  color: var(--ink-soft);
}
.went {
  color: var(--good);
}
.came {
  color: var(--stop);
}
</style>
