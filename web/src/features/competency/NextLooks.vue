<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useSession } from '@/features/session/useSession'
import { vTyped } from '@/parts/typed'
import { hue } from '@/parts/criteria'
import Standing from '@/parts/Standing.vue'
import { counted } from '@/parts/words'
import { fingerOf } from './track'
import { inSchool } from '@/parts/when'

/** What to watch in the coming lab, within the minutes there are. */
const props = defineProps<{ term: string; cohort?: Schema['Cohort'] }>()
const session = useSession()
const minutes = ref<number>()
const {
  data: list,
  problem,
  loading,
  again,
} = useAsked(() =>
  ask(
    api.GET('/api/terms/{term}/watch', {
      params: { path: { term: props.term }, query: { minutes: minutes.value } },
    }),
  ),
)
watch(
  () => props.cohort,
  () => void again(),
)
function setMinutes(e: Event) {
  const value = Number((e.target as HTMLInputElement).value)
  minutes.value = Number.isFinite(value) ? Math.max(0, Math.min(480, Math.round(value))) : undefined
  void again()
}
const when = computed(() => {
  const lab = list.value?.lab
  if (!lab) return 'No lab is planned any more.'
  const day = lab.begins
    ? inSchool(lab.begins, {
        weekday: 'short',
        day: 'numeric',
        month: 'short',
        hour: '2-digit',
        minute: '2-digit',
      })
    : `week ${lab.week}`
  return `${day} — ${lab.regions.map((r) => session.regionName(r).toLowerCase()).join(', ')}`
})
function setUp(l: Schema['LookLine']) {
  return {
    path: '/grade',
    query: {
      student: l.student,
      sequence: l.sequence,
      // One finger is a spot check; a look at more of them is a practical of so many minutes.
      criterion: l.whole || l.reasons.length !== 1 ? undefined : l.reasons[0]!.criterion,
      minutes: Math.ceil(l.minutes),
    },
  }
}
</script>

<template>
  <Standing :problem="problem" :loading="loading && !list" @again="again" />
  <template v-if="list">
    <div class="top second">
      <h2>{{ list.lab ? `The coming lab, week ${list.lab.week}` : 'The coming lab' }}</h2>
      <span class="soft">{{ when }}</span>
      <span class="grow" />
      <label class="field"
        >Minutes
        <input
          v-typed="list.minutes"
          type="number"
          min="0"
          max="480"
          step="5"
          aria-label="Minutes of your eyes"
          @change="setMinutes"
      /></label>
      <a class="push" :href="`/api/terms/${term}/watch/list?minutes=${list.minutes}`" target="_blank"
        >As a list (PDF)</a
      >
    </div>
    <p v-if="list.looks.length === 0" class="card soft">
      {{
        list.minutes < 3
          ? 'There is no time for a look: one takes three minutes.'
          : list.missing.length
            ? 'Nothing that a sequence works on needs a look.'
            : 'Nothing needs a look: no region has been taught yet, or all is secure.'
      }}
    </p>
    <div v-else class="card">
      <ol class="looks">
        <li v-for="(l, i) in list.looks" :key="l.student + l.region" :class="{ first: i < 3 }">
          <span class="rank">{{ i + 1 }}</span>
          <router-link class="who" :to="`/track/${l.student}#${l.region}`"
            ><strong>{{ l.name }}</strong
            ><span>{{ session.regionName(l.region) }}</span></router-link
          >
          <span class="what">
            <span v-if="l.whole" class="chip">whole practical</span>
            <template v-else>
              <span
                v-for="r in l.reasons"
                :key="r.criterion"
                class="chip"
                :style="{ color: hue(r.criterion), borderColor: hue(r.criterion) }"
                >{{ fingerOf(r.criterion).name }}</span
              >
            </template>
          </span>
          <span class="why">{{ l.why }}</span>
          <span class="min">{{ Math.ceil(l.minutes) }} min</span>
          <router-link class="push" :to="setUp(l)">Set up</router-link>
        </li>
      </ol>
      <p class="soft">
        {{ counted(list.looks.length, 'look') }} in {{ Math.round(list.used) }} of {{ list.minutes }} minutes:
        no other choice is worth more in that time.
        {{ list.left ? `${counted(list.left, 'bar')} that are not secure are not on it.` : '' }} A look is
        worth what it is expected to change of what is known, more where nobody has looked, where a second day
        is missing or few labs are left, and most where something critical is open.
      </p>
    </div>
    <ul v-if="list.missing.length" class="card soft missing" aria-label="What cannot be looked at yet">
      <li v-for="m in list.missing" :key="m.region">
        <span>{{ m.why }}</span>
        <router-link class="push" to="/plan">Plan</router-link>
      </li>
    </ul>
  </template>
</template>

<style scoped>
.second {
  min-height: 0;
  flex-wrap: nowrap;
}
.second h2,
.second .push {
  white-space: nowrap;
}
input {
  width: 84px;
}
.looks {
  list-style: none;
  margin: 0 0 10px;
  padding: 0;
}
.missing {
  list-style: none;
}
.missing li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  align-items: center;
}
.looks li {
  display: grid;
  grid-template-columns: 34px 190px 190px 1fr 62px auto;
  gap: 10px;
  align-items: center;
  min-height: 52px;
  border-bottom: 1px solid var(--line);
  padding: 3px 0;
}
.rank {
  font: 650 15px var(--head);
  color: var(--ink-soft);
  text-align: center;
}
.first .rank {
  background: var(--ink);
  color: var(--paper);
  border-radius: 50%;
  width: 30px;
  height: 30px;
  line-height: 30px;
}
.who {
  display: flex;
  flex-direction: column;
  justify-content: center;
  line-height: 1.2;
  min-height: var(--target);
  text-decoration: none;
}
.who span {
  font-size: 13.5px;
  color: var(--ink-soft);
}
.what {
  display: flex;
  gap: 4px;
  flex-wrap: wrap;
}
.chip {
  border: 1.5px solid var(--ink);
  border-radius: 10px;
  padding: 1px 8px;
  font-weight: 650;
  font-size: 13px;
}
.why {
  font-size: 14px;
  line-height: 1.3;
}
.min {
  text-align: right;
  font-weight: 650;
}
@media (max-width: 899px) {
  .second {
    flex-wrap: wrap;
  }
  .looks li {
    grid-template-columns: 34px 1fr auto;
  }
  .what,
  .why {
    grid-column: 2 / -1;
  }
}
</style>
