<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { computed, ref, watchEffect } from 'vue'
import { useSession } from '@/features/session/useSession'
import Failed from '@/parts/Failed.vue'
import Standing from '@/parts/Standing.vue'
import { counted } from '@/parts/words'
import LabHead from './LabHead.vue'
import NoLab from './NoLab.vue'
import LabMadeOf from './LabMadeOf.vue'
import PresenceRow from './PresenceRow.vue'
import { useLabs } from './useLabs'
import { useRegister, type Line, type Presence } from './useRegister'

/** At the door: who is there, in one pass, on a phone. */
const session = useSession()
const term = session.term?.id ?? ''
const { register, problem, loading, again, shown, chosen, place } = useLabs(term)
const door = useRegister(session.person?.id ?? '', term, place)
const { sheet, lines, waiting, undo } = door

const now = ref(Date.now())
useIntervalFn(() => (now.value = Date.now()), 5000)
/** Whole minutes since the lab began, while it is on. */
const into = computed(() => {
  const s = sheet.value
  if (!s?.begins) return undefined
  const minutes = Math.floor((now.value - new Date(s.begins).getTime()) / 60_000)
  return minutes >= 0 && minutes <= s.minutes ? minutes : undefined
})
const count = (is: (p: Presence | undefined) => boolean) => lines.value.filter((l) => is(l.presence)).length
const there = computed(() => count((p) => p?.kind === 'present' && p.lateMinutes === 0))
const late = computed(() => count((p) => p?.kind === 'present' && p.lateMinutes > 0))
const away = computed(() => count((p) => p?.kind === 'absent' || p?.kind === 'excused'))
const open = computed(() => lines.value.filter((l) => !l.presence))

const THERE: Presence = { kind: 'present', lateMinutes: 0 }
function rest(presence: Presence, said: string) {
  door.mark(
    said,
    open.value.map((l) => ({ student: l.id, presence })),
  )
}
const set = (line: Line, presence: Presence | undefined, said: string) =>
  door.mark(`${line.name}: ${said}`, [{ student: line.id, presence }])

/** The row that the keys speak to, and the one that is opened. */
const picked = ref(0)
const opened = ref('')
watchEffect(() => {
  if (picked.value >= lines.value.length) picked.value = Math.max(0, lines.value.length - 1)
})
const list = ref<HTMLElement>()
function keys(e: KeyboardEvent) {
  if (e.ctrlKey || e.metaKey || e.altKey || (e.target as HTMLElement).matches('input, select')) return
  const line = lines.value[picked.value]
  const key = e.key.toLowerCase()
  if (key === 'arrowdown' || key === 'arrowup') move(key === 'arrowdown' ? 1 : -1)
  else if (key === 'u') door.takeBack()
  else if (!line) return
  else if (key === 't') then(line, THERE, 'there')
  else if (key === 'a') then(line, { kind: 'absent', lateMinutes: 0 }, 'away')
  else if (key === 'e') then(line, { kind: 'excused', lateMinutes: 0 }, 'excused')
  else if (key === 'l') then(line, { kind: 'present', lateMinutes: into.value ?? 10 }, 'late')
  else return
  e.preventDefault()
}
function then(line: Line, presence: Presence, said: string) {
  set(line, presence, said)
  move(1)
}
function move(by: number) {
  picked.value = Math.min(lines.value.length - 1, Math.max(0, picked.value + by))
  list.value?.querySelectorAll<HTMLElement>('[data-row]')[picked.value]?.scrollIntoView({ block: 'nearest' })
}
</script>

<template>
  <div class="page" @keydown="keys">
    <Standing :problem="problem" :loading="loading && !register" @again="again" />
    <div v-if="!term" class="card">
      <h2>No term yet</h2>
      <p class="soft">The lead makes one under School, Terms.</p>
    </div>
    <template v-if="register && shown">
      <LabHead v-model="chosen" title="At the door" :labs="register.labs" here="door">
        <router-link class="push" to="/track#hours">Hours</router-link>
      </LabHead>
      <div v-if="sheet" class="cols">
        <section class="card door" aria-label="Who is there">
          <div class="sum">
            <p class="counts" role="status">
              <strong>{{ there }}</strong> there · <strong>{{ late }}</strong> late ·
              <strong>{{ away }}</strong> away · <strong>{{ open.length }}</strong> not marked
              <span v-if="waiting" class="soft">
                · {{ counted(waiting, 'mark') }} not sent yet, kept here</span
              >
            </p>
            <button class="push" :disabled="!undo" :title="undo" @click="door.takeBack">
              Undo <span class="key">U</span>
            </button>
          </div>
          <Failed v-if="door.problem.value && !waiting" :of="door.problem.value" />
          <p v-if="sheet.archived" class="soft">This term is in the archive: its register is read only.</p>
          <div v-else-if="open.length" class="rest">
            <button class="push main" @click="rest(THERE, 'The rest there')">
              {{ open.length === lines.length ? 'All are there' : 'The rest are there' }}
            </button>
            <button
              v-if="open.length < lines.length"
              class="push"
              @click="rest({ kind: 'absent', lateMinutes: 0 }, 'The rest away')"
            >
              The rest are away
            </button>
          </div>
          <p v-if="lines.length === 0" class="soft">
            There is nobody in this term yet; <router-link to="/school">add the class first</router-link>.
          </p>
          <ol ref="list" class="rows">
            <PresenceRow
              v-for="(line, i) in lines"
              :key="line.id"
              data-row
              :line="line"
              :into="into"
              :minutes="sheet.minutes"
              :locked="sheet.archived"
              :picked="picked === i"
              :opened="opened === line.id"
              @pick="picked = i"
              @open="opened = opened === line.id ? '' : line.id"
              @set="(presence, said) => set(line, presence, said)"
            />
          </ol>
        </section>
        <LabMadeOf :sheet="sheet" :term="term" :place="shown" :into="into" @changed="door.again" />
      </div>
      <Standing v-else :problem="door.problem.value" :loading="!door.problem.value" @again="door.again" />
    </template>
    <NoLab v-else-if="register" />
  </div>
</template>

<style scoped>
.cols {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(260px, 320px);
  gap: 14px;
  align-items: start;
}
.door {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.sum,
.rest {
  display: flex;
  gap: 10px;
  align-items: center;
}
.rest {
  flex-wrap: wrap;
}
.counts {
  flex: 1;
}
.counts strong {
  font-size: 20px;
}

.rest .push {
  flex: 1;
  min-height: 52px;
}
.rows {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(330px, 1fr));
  column-gap: 18px;
}
@media (max-width: 640px) {
  .cols {
    display: flex;
    flex-direction: column;
    align-items: stretch;
  }
  .counts {
    flex: 1;
  }
  .counts strong {
    font-size: 17px;
  }
  .key {
    display: none;
  }
}
</style>
