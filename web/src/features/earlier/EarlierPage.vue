<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useCommand } from '@/api/useCommand'
import { useSession } from '@/features/session/useSession'
import ChoiceField from '@/parts/ChoiceField.vue'
import Failed from '@/parts/Failed.vue'
import Standing from '@/parts/Standing.vue'
import { FINGERS } from '@/parts/criteria'
import { counted, day, points } from '@/parts/words'
import { dayOfYear } from '@/parts/when'
import MarksColumns from './MarksColumns.vue'
import MarksNames from './MarksNames.vue'
import MarksWords from './MarksWords.vue'
import { base64, type Column, type Mapping, titleOf } from './earlier'

/** Marks of before, out of somebody's table: seen first, taken as one, undone as one. */
const session = useSession()
const term = computed(() => session.term?.id)
const params = () => ({ path: { term: term.value! } })
const { data, problem, loading, again } = useAsked(async () =>
  term.value ? ask(api.GET('/api/terms/{term}/earlier-marks', { params: params() })) : [],
)
const { busy, failed, during } = useCommand()
const picker = ref<HTMLInputElement>()
const file = ref<{ name: string; bytes: string }>()
const seen = ref<Schema['MarksPreview']>()
const title = ref('')
/** The one that is asked about once more before it is undone. */
const sure = ref<string>()

const looked = (mapping?: Mapping, sheet?: number) =>
  during(async () => {
    seen.value = await ask(
      api.POST('/api/terms/{term}/earlier-marks/preview', {
        params: params(),
        body: { file: file.value!.bytes, fileName: file.value!.name, sheet, mapping: mapping as never },
      }),
    )
  })
async function chosen(event: Event) {
  const input = event.target as HTMLInputElement
  const given = input.files?.[0]
  if (!given) return
  seen.value = undefined
  file.value = { name: given.name, bytes: await base64(given) }
  title.value = titleOf(given.name)
  input.value = ''
  await looked()
}
const said = (more: Partial<Mapping>) => looked({ ...seen.value!.mapping, ...more }, seen.value!.sheet)
const name = (given: string, student: string) =>
  said({ names: { ...seen.value!.mapping.names, [given]: student } })
const region = (given: string, of: unknown) =>
  said({ regions: { ...seen.value!.mapping.regions, [given]: String(of ?? '') } })
const columns = (all: Column[]) => said({ columns: all })

const take = () =>
  during(async () => {
    await ask(
      api.POST('/api/terms/{term}/earlier-marks', {
        params: params(),
        body: {
          file: file.value!.bytes,
          fileName: file.value!.name,
          sheet: seen.value!.sheet,
          mapping: seen.value!.mapping as never,
          title: title.value,
        },
      }),
    )
    leave()
    await again()
  })
function leave() {
  seen.value = undefined
  file.value = undefined
}
function undo(id: string) {
  if (sure.value !== id) {
    sure.value = id
    return
  }
  sure.value = undefined
  void during(async () => {
    await ask(api.POST('/api/earlier-marks/{id}/undo', { params: { path: { id } } }))
    await again()
  })
}
const finger = (id?: string) => FINGERS.find((f) => f.id === id)?.name ?? 'the whole'
const whose = (m: Schema['EarlierMark']) =>
  seen.value?.students.find((s) => s.id === m.student)?.name ?? `${m.name}, by name alone`
</script>

<template>
  <div class="page">
    <div class="top">
      <h1>Earlier marks</h1>
      <span class="soft"
        >Out of a spreadsheet or another program. They count for nothing that is seen here.</span
      >
    </div>
    <div v-if="!term" class="card">
      <h2>No term yet</h2>
      <p class="soft">The lead makes one under School, Terms.</p>
    </div>
    <section v-else-if="!seen" class="card" aria-label="A file">
      <h2>Read a file</h2>
      <p class="soft">
        A workbook (.xlsx) or CSV, a student a row or a mark a row. You see what becomes of it before anything
        is taken.
      </p>
      <input
        ref="picker"
        type="file"
        accept=".xlsx,.csv,.tsv,.txt,text/csv"
        class="sr"
        aria-label="File of marks"
        @change="chosen"
      />
      <div class="do">
        <button class="push main" :disabled="busy" @click="picker?.click()">
          {{ busy ? 'Reading' : 'Choose a file' }}
        </button>
      </div>
      <Failed :of="failed">Nothing of {{ file?.name }} was taken.</Failed>
    </section>
    <template v-if="seen">
      <section class="card" aria-label="What becomes of it">
        <div class="head">
          <h2>{{ file?.name }}: {{ counted(seen.marks, 'mark') }} of {{ counted(seen.rows, 'row') }}</h2>
          <ChoiceField
            v-if="seen.sheets.length > 1"
            label="Sheet"
            class="field"
            :options="seen.sheets.map((s, i) => ({ id: i, name: s }))"
            :model-value="seen.sheet"
            @update:model-value="(s) => looked(undefined, Number(s))"
          />
        </div>
        <p v-if="seen.taken" class="bad">This file was taken over as “{{ seen.taken }}”. Undo that first.</p>
        <p v-if="seen.remembered" class="soft">Its columns are read as in the last file that had the same.</p>
        <p v-if="seen.fault" class="bad">It {{ seen.fault }}.</p>
        <Failed :of="failed" />
        <div class="do">
          <label class="field">Call it <input v-model="title" maxlength="100" /></label>
          <button
            class="push main"
            :disabled="busy || !!seen.taken || !seen.marks || !title.trim()"
            @click="take"
          >
            Take over {{ counted(seen.marks, 'mark') }}
          </button>
          <button class="push" @click="leave">Leave it</button>
        </div>
      </section>
      <div class="halves">
        <MarksNames :seen="seen" @say="name" />
        <section class="card" aria-label="Left out">
          <template v-if="seen.regions.length">
            <h2>Regions</h2>
            <p v-for="r in seen.regions" :key="r" class="field">
              <b>{{ r }}</b>
              <ChoiceField
                bare
                :label="`Region ${r}`"
                none="no region of ours"
                :options="session.catalogue?.regions ?? []"
                @update:model-value="(x) => region(r, x)"
              />
            </p>
          </template>
          <h2>{{ seen.leftOutInAll ? `${seen.leftOutInAll} left out` : 'Nothing is left out' }}</h2>
          <ul>
            <li v-for="l in seen.leftOut" :key="`${l.row}/${l.column}/${l.reason}`" class="small">
              Row {{ l.row }}{{ l.column ? `, ${seen.head[l.column - 1] || `column ${l.column}`}` : '' }}:
              {{ l.value ? `“${l.value}” ` : '' }}{{ l.reason }}
            </li>
            <li v-if="seen.leftOutInAll > seen.leftOut.length" class="soft small">
              and {{ seen.leftOutInAll - seen.leftOut.length }} more
            </li>
            <li v-if="seen.repeated.length" class="small">
              {{ counted(seen.repeated.length, 'row says', 'rows say') }} what another said before, the first
              of them row {{ seen.repeated[0] }}
            </li>
          </ul>
        </section>
      </div>
      <section class="card" aria-label="Columns">
        <div class="head">
          <h2>Columns</h2>
          <ChoiceField
            label="Days such as 3/11"
            class="field"
            :options="[
              { id: 'day-first', name: '3 November' },
              { id: 'month-first', name: 'March 11' },
            ]"
            :model-value="seen.mapping.days"
            @update:model-value="(d) => said({ days: d as Mapping['days'] })"
          />
        </div>
        <MarksColumns :seen="seen" @say="columns" />
      </section>
      <MarksWords :seen="seen" @say="columns" />
      <section v-if="seen.lines.length" class="card" aria-label="First marks">
        <h2>The first marks as they would be kept</h2>
        <table class="lines">
          <thead>
            <tr>
              <th>Row</th>
              <th>Student</th>
              <th>Day</th>
              <th>Region</th>
              <th>Criterion</th>
              <th>Cell</th>
              <th>Points</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="m in seen.lines" :key="`${m.row}/${m.column}`">
              <td>{{ m.row }}</td>
              <td>{{ whose(m) }}</td>
              <td>{{ m.day ? dayOfYear(m.day) : '–' }}</td>
              <td>{{ m.region ? session.regionName(m.region) : '–' }}</td>
              <td>{{ finger(m.criterion) }}</td>
              <td>{{ m.given }}</td>
              <td>
                <b>{{ points(m.points) }}</b>
              </td>
            </tr>
          </tbody>
        </table>
      </section>
    </template>
    <Standing :problem="problem" :loading="loading && !data" @again="again" />
    <section v-if="data && !seen" class="card" aria-label="Taken over">
      <h2>{{ data.length ? 'Taken over' : 'Nothing was taken over yet' }}</h2>
      <p v-if="data.some((i) => !i.undoneAt)" class="do soft">
        Each mark stands on its student’s page, and all of them beside this term’s.
        <router-link class="push" to="/track#beside">Beside the last</router-link>
      </p>
      <ul v-if="data.length">
        <li v-for="i in data" :key="i.id" class="taken" :class="{ soft: i.undoneAt }">
          <span
            ><b>{{ i.title }}</b> {{ counted(i.marks, 'mark')
            }}{{ i.leftOut ? `, ${i.leftOut} left out` : '' }} · {{ day(i.importedAt) }}, {{ i.importedBy
            }}<template v-if="i.undoneAt"> · undone {{ day(i.undoneAt) }}, {{ i.undoneBy }}</template></span
          >
          <button
            v-if="!i.undoneAt"
            class="push"
            :disabled="busy"
            :aria-label="`Undo ${i.title}`"
            @click="undo(i.id)"
          >
            {{ sure === i.id ? `Really undo all ${i.marks}` : 'Undo' }}
          </button>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.head,
.do {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
.do {
  margin-top: 8px;
}
.head {
  justify-content: space-between;
}
ul {
  list-style: none;
  padding: 0;
  margin: 8px 0 0;
  max-height: 340px;
  overflow-y: auto;
}
.small {
  font-size: 14px;
  padding: 3px 0;
}
.taken {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
  min-height: 50px;
  border-top: 1px solid var(--line);
}
.bad {
  color: var(--stop);
  font-weight: 600;
}
</style>
