<script setup lang="ts">
import { useSession } from '@/features/session/useSession'
import { FINGERS, type Criterion } from '@/parts/criteria'
import { points } from '@/parts/words'
import type { Row } from './track'

/** The same in words and numbers, a line for each student in each region. */
defineProps<{
  students: readonly Row[]
  fingers: readonly (typeof FINGERS)[number][]
  only: Criterion | ''
}>()
const session = useSession()
</script>

<template>
  <table class="lines words">
    <caption class="sr">
      Every student in every region:
      {{
        only
      }}
      state and level
    </caption>
    <thead>
      <tr>
        <th scope="col">Student</th>
        <th scope="col">Region</th>
        <th v-for="f in fingers" :key="f.id" scope="col">{{ f.name }}</th>
        <th scope="col">Secure</th>
      </tr>
    </thead>
    <tbody v-for="s in students" :key="s.id">
      <tr v-for="(p, i) in s.palms" :key="p.region">
        <th scope="row">
          <router-link v-if="i === 0" :to="`/track/${s.id}`">{{ s.name }}</router-link>
          <span v-else class="sr">{{ s.name }}</span>
        </th>
        <td>
          <router-link :to="`/track/${s.id}#${p.region}`">{{ session.regionName(p.region) }}</router-link>
        </td>
        <td v-for="f in fingers" :key="f.id" :class="p.bars[FINGERS.indexOf(f)]!.state.replace(' ', '-')">
          {{ p.bars[FINGERS.indexOf(f)]!.state }}
          {{
            p.bars[FINGERS.indexOf(f)]!.level == null
              ? ''
              : `${points(p.bars[FINGERS.indexOf(f)]!.level)} ± ${points(p.bars[FINGERS.indexOf(f)]!.sd)}`
          }}
        </td>
        <td>{{ p.secure }} of 5</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.words th[scope='row'] {
  font-weight: 650;
  color: inherit;
  font-size: 15px;
}
.words td a,
.words th a {
  display: inline-flex;
  align-items: center;
  min-height: var(--target);
}
.secure {
  color: var(--good);
}
.at-risk,
.open-critical {
  color: var(--stop);
  font-weight: 650;
}
.not-seen {
  color: var(--ink-soft);
}
</style>
