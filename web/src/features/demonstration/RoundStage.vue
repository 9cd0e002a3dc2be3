<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { mmss } from '@/parts/words'
import { atTable, callsAt, working } from './round'
import TimeRing from './TimeRing.vue'

/** What all tables do now, how long, and who works on whom; to be read from eight metres. */
const props = defineProps<{
  round: Schema['ClassRoundView']
  live: Schema['RoundLiveView']
  /** Which part is on, −1 before the first, and seconds into it. */
  place: { leg: number; into: number }
}>()
const leg = computed(() => props.round.legs[props.place.leg])
const next = computed(() => props.round.legs[props.place.leg + 1])
const worked = computed(() => working(props.round.legs, props.place.leg))
const length = computed(() => props.live.standing.seconds[props.place.leg] ?? 0)
const left = computed(() => Math.max(0, length.value - props.place.into))
const calls = computed(() => leg.value && callsAt(leg.value, props.place.into))
const tables = computed(() => props.round.tables.map((names) => atTable(names, worked.value?.role ?? 1)))
const turns = computed(() => Math.max(0, ...props.round.legs.map((l) => l.role)))
</script>

<template>
  <div class="stage">
    <div class="words">
      <p class="place">
        {{ round.name }}{{ live.standing.paused ? ' · paused' : '' }}
        <template v-if="leg?.role"> · therapist {{ leg.role }} of {{ turns }}</template>
      </p>
      <h1>{{ leg?.name ?? 'Practice round' }}</h1>
      <p v-if="calls?.on" class="call">
        <strong>{{ calls.on.number }} {{ calls.on.name }}</strong>
      </p>
      <p v-if="calls?.next" class="soft big">
        then {{ calls.next.name }} in {{ mmss(calls.next.atSeconds - place.into) }}
      </p>
      <p v-else-if="leg && next" class="soft big">then {{ next.name.toLowerCase() }}</p>
      <ol class="tables" aria-label="Tables">
        <li v-for="(t, i) in tables" :key="i">
          <span class="number" aria-hidden="true">{{ i + 1 }}</span>
          <span class="sr">Table {{ i + 1 }}:</span>
          <span
            ><strong>{{ t.therapist }}</strong> on {{ t.client
            }}<span v-if="t.watching.length" class="soft">, {{ t.watching.join(', ') }} watches</span></span
          >
        </li>
      </ol>
    </div>
    <TimeRing v-if="leg" class="ring" :left="left" :of="length" :name="leg.name" :between="!leg.role" />
  </div>
</template>

<style scoped>
.stage {
  flex: 1;
  display: flex;
  gap: 28px;
  min-height: 0;
  margin-top: 8px;
}
.words {
  flex: 1;
  min-width: 0;
}
.place {
  font-size: 26px;
  font-weight: 650;
  color: var(--order);
}
h1 {
  font-size: 84px;
  line-height: 1.02;
  margin: 4px 0 10px;
}
.call {
  font-size: 40px;
  line-height: 1.15;
}
.big {
  font-size: 26px;
}
.tables {
  list-style: none;
  padding: 0;
  margin: 22px 0 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(280px, 1fr));
  gap: 10px 22px;
  font-size: 28px;
}
.tables li {
  display: flex;
  gap: 12px;
  align-items: baseline;
}
.number {
  flex: none;
  width: 40px;
  height: 40px;
  border-radius: 50%;
  background: var(--paper);
  font: 700 22px/40px var(--text);
  text-align: center;
}
.ring {
  width: 360px;
  flex: none;
  align-self: center;
}
@media (max-width: 899px) {
  .stage {
    flex-direction: column;
  }
  .place,
  .big {
    font-size: 19px;
  }
  h1 {
    font-size: 42px;
  }
  .call {
    font-size: 28px;
  }
  .tables {
    font-size: 20px;
    margin-top: 12px;
  }
  .ring {
    width: 190px;
    order: -1;
  }
}
</style>
