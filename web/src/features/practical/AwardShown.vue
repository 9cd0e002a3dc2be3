<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import { FINGERS } from '@/parts/criteria'
import { capital, counted, day, mmss, points } from '@/parts/words'
import { againTogether } from './again'
import VoidForm from './VoidForm.vue'

/** What was awarded: the outcome with its reasons, the words, the goals, and the student's own marks beside the award. */
const props = defineProps<{ view: Schema['PracticalView'] }>()
const emit = defineEmits<{ change: []; moment: [seconds: number]; setVoid: [reason: string] }>()
const session = useSession()
const award = computed(() => props.view.award!)
const name = (step: string) =>
  props.view.sequence.blocks.flatMap((b) => b.steps).find((s) => s.id === step)?.name ?? step
/** Own mark less the award, by finger. */
const off = computed(() =>
  FINGERS.flatMap((f) => {
    const mine = props.view.selfMarks?.[f.id]
    const c = props.view.scores?.criteria.find((x) => x.criterion === f.id)
    const got = award.value.award.criteria?.[f.id]?.value ?? c?.score
    return mine === undefined || mine === null
      ? []
      : [{ name: f.name, mine, got, by: got === undefined || got === null ? undefined : mine - got }]
  }),
)
</script>

<template>
  <h2>Awarded</h2>
  <p>
    {{ capital(award.outcome.result) }}, mean {{ points(award.outcome.mean) }} ({{ award.outcome.band }}), by
    {{ award.by }} on {{ day(award.at) }}.
  </p>
  <p v-if="award.since && session.staff" class="late" role="status">
    {{ counted(award.since, 'tap') }} reached the school after this award, as from a device that had no
    network. The marks are those of the award and do not count them: to look again with them, change the
    award.
  </p>
  <p v-if="award.earlier && session.staff" class="soft" role="status">
    Given by {{ award.rules ? `rules ${award.rules}` : 'the rules' }} of an earlier version; it stands. To see
    what today’s rules say, change the award.
  </p>
  <ul>
    <li v-for="r in award.outcome.reasons" :key="r">{{ r }}</li>
  </ul>
  <template v-for="f in FINGERS" :key="f.id">
    <p v-if="award.award.criteria?.[f.id]?.value != null">
      {{ f.name }}: {{ award.award.criteria[f.id]?.reason }}
    </p>
  </template>
  <p v-if="award.award.feedback" class="words">“{{ award.award.feedback }}”</p>
  <ul v-if="award.award.remarks?.length" class="said" aria-label="Words at their moments">
    <li v-for="(r, i) in award.award.remarks" :key="i">
      <button v-if="r.atMs != null" class="ev" @click="emit('moment', r.atMs / 1000)">
        {{ mmss(r.atMs / 1000) }}
      </button>
      {{ r.text }}
    </li>
  </ul>
  <template v-if="award.award.goals?.length">
    <h3>Next time</h3>
    <ul>
      <li v-for="g in award.award.goals" :key="g">{{ g }}</li>
    </ul>
  </template>
  <template v-if="view.again.length">
    <h3>To be shown again</h3>
    <ul>
      <li v-for="a in againTogether(view.again, name)" :key="a.why">
        {{ a.said }} <span class="soft">— {{ a.why }}</span>
      </li>
    </ul>
    <router-link v-if="session.staff" class="push" :to="`/grade?again=${view.id}`"
      >Set up the re-take: {{ view.again.length }}
      {{ view.again.length === 1 ? 'step' : 'steps' }}</router-link
    >
  </template>
  <template v-if="off.length">
    <h3>Own marks, before the result</h3>
    <p v-for="o in off" :key="o.name">
      {{ o.name }}: said {{ points(o.mine)
      }}<template v-if="o.by !== undefined"
        >,
        {{
          Math.abs(Math.round(o.by)) < 5
            ? 'spot on'
            : `${Math.abs(Math.round(o.by))} too ${o.by > 0 ? 'high' : 'low'}`
        }}</template
      >
    </p>
  </template>
  <p class="soft">
    {{ award.award.released ? 'The student sees this.' : 'Not released to the student yet.' }}
  </p>
  <template v-if="session.staff">
    <button class="push" @click="emit('change')">
      {{ award.award.released ? 'Change the award' : 'Change or release it' }}
    </button>
    <VoidForm @set-void="emit('setVoid', $event)" />
  </template>
</template>

<style scoped src="./award.css"></style>
<style scoped>
.late {
  border: 1.5px solid var(--stop);
  border-radius: 12px;
  background: var(--stop-wash);
  padding: 8px 12px;
  font-weight: 650;
}
</style>
<style scoped>
.words {
  font-size: 17px;
}
ul {
  margin: 0;
  padding-left: 20px;
}
.said {
  list-style: none;
  padding: 0;
}
</style>
