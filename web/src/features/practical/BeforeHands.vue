<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { api, ask, type Problem } from '@/api/client'
import { useSession } from '@/features/session/useSession'
import { briefOf, inTheWay, type Place, type Setting } from './places'
import ChoiceField from '@/parts/ChoiceField.vue'

/** What is settled before hands are laid on: the question of the day, what clashes with the body on the table, gates. */
const place = defineModel<Place>({ required: true })
const props = defineProps<{ setting: Setting; name: string; zones: readonly string[] }>()
const session = useSession()
const more = ref(false)
const form = reactive({ kind: '', zone: '', side: '' })
const problem = ref<Problem>()
const kinds = computed(() => session.catalogue?.notes ?? [])
const local = computed(() => kinds.value.find((k) => k.id === form.kind)?.local ?? false)
const paired = computed(() => session.zones.get(form.zone)?.paired ?? false)
/** The zones that are worked come first: they are what is asked about. */
const zones = computed(() => [
  ...props.zones,
  ...(session.catalogue?.zones ?? []).map((z) => z.id).filter((z) => !props.zones.includes(z)),
])
const closed = computed(() => place.value.ready?.gates.filter((g) => !g.open) ?? [])
const set = (change: Partial<Place>) => (place.value = { ...place.value, ...change })

function add() {
  const said = {
    kind: form.kind as 'numb',
    zone: (local.value ? form.zone : undefined) as undefined,
    side: (local.value && paired.value && form.side ? form.side : undefined) as undefined,
  }
  set({ today: [...(place.value.today ?? []), said] })
  Object.assign(form, { kind: '', zone: '', side: '' })
  more.value = false
}
/** The steps that clash are not asked of this body; of a re-take what is left of it. */
function leaveOut() {
  const all = place.value.asked ?? props.setting.asked ?? props.setting.steps
  set({ asked: all.filter((s) => !place.value.ready!.blocked.includes(s)) })
}
let asked = 0
watch(
  () =>
    JSON.stringify([
      props.setting,
      place.value.student,
      place.value.partner,
      place.value.today,
      place.value.asked,
      place.value.sides,
    ]),
  async () => {
    if (!place.value.student || !props.setting.sequence) return
    const mine = ++asked
    try {
      const ready = await ask(
        api.POST('/api/practicals/ready', { body: briefOf(place.value, props.setting) }),
      )
      if (mine !== asked) return
      problem.value = undefined
      set({ ready })
    } catch (e) {
      if (mine === asked) problem.value = e as Problem
    }
  },
  { immediate: true },
)
// Another body on the table has not been asked yet; another student has other gates.
watch(
  [() => place.value.partner, () => props.setting.sequence, () => place.value.student],
  ([partner, sequence], [partnerBefore, sequenceBefore]) =>
    set(
      partner === partnerBefore && sequence === sequenceBefore
        ? { ready: undefined, despite: undefined }
        : { today: undefined, asked: undefined, sides: undefined, despite: undefined, ready: undefined },
    ),
)
</script>

<template>
  <div class="before" :class="{ stands: inTheWay(place) }">
    <p v-if="!place.today" class="line">
      <span
        ><strong>Ask {{ name }}</strong> — hot or swollen, numb, newly hurt, an allergy, somewhere to leave
        alone?</span
      >
      <button class="push main" type="button" @click="set({ today: [] })">Nothing today</button>
      <button v-if="!more" class="push" type="button" @click="more = true">Something</button>
    </p>
    <p v-else class="line">
      <span
        >Today:
        <strong>{{
          place.today.length ? place.today.map(session.spared).join(', ') : 'nothing'
        }}</strong></span
      >
      <button v-if="!more" class="push" type="button" @click="more = true">More</button>
      <button class="push" type="button" @click="set({ today: undefined })">Ask again</button>
    </p>
    <div v-if="more" class="line">
      <ChoiceField v-model="form.kind" label="What is it" bare none="What…" required :options="kinds" />
      <ChoiceField
        v-if="local"
        v-model="form.zone"
        label="Where is it"
        bare
        none="Where…"
        required
        :options="zones.map((z) => ({ id: z, name: session.zoneName(z) }))"
      />
      <ChoiceField
        v-if="local && paired"
        v-model="form.side"
        label="On which side is it"
        bare
        none="both sides"
        :options="['left', 'right']"
      />
      <button class="push main" type="button" :disabled="!form.kind || (local && !form.zone)" @click="add">
        Note it
      </button>
      <button class="push" type="button" @click="more = false">Close</button>
    </div>
    <div v-if="place.ready?.clashes.length" role="alert" class="clash">
      <p v-for="c in place.ready.clashes" :key="c">{{ c }}</p>
      <div class="line">
        <button v-if="place.ready.rest > 0" class="push main" type="button" @click="leaveOut">
          {{
            place.ready.blocked.length === 1
              ? 'Leave that step out'
              : `Leave these ${place.ready.blocked.length} steps out`
          }}
        </button>
        <button
          v-if="place.ready.side"
          class="push"
          type="button"
          @click="set({ sides: place.ready.side as 'left' })"
        >
          The {{ place.ready.side }} side only
        </button>
        <button v-if="place.partner" class="push" type="button" @click="set({ partner: '' })">
          Another onto the table
        </button>
      </div>
    </div>
    <p v-if="place.asked || place.sides" class="soft">
      <template v-if="place.retakeOf">A re-take of {{ place.asked?.length }} steps.</template>
      <template v-else-if="place.asked"
        >{{ (setting.asked ?? setting.steps).length - place.asked.length }} left out for this body.</template
      >
      <template v-if="place.sides"> The {{ place.sides }} side only.</template>
    </p>
    <div v-for="g in closed" :key="g.gate" class="line gate">
      <span>{{ g.why }}</span>
    </div>
    <label v-if="closed.length" class="line"
      >Go on all the same, because
      <input
        :value="place.despite ?? ''"
        maxlength="400"
        placeholder="shown under my hands last week"
        @input="set({ despite: ($event.target as HTMLInputElement).value })"
      />
    </label>
    <p v-if="problem" role="alert" class="bad">
      {{ problem.detail }}
      <template v-for="f in problem.faults" :key="f.field">{{ f.field }} {{ f.reason }}. </template>
    </p>
  </div>
</template>

<style scoped>
.before {
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding: 2px 0 10px 14px;
  border-left: 3px solid var(--line);
}
.stands {
  border-left-color: var(--warn);
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  margin: 0;
}
.line .push {
  min-height: 44px;
}
input {
  flex: 1 1 260px;
}
.clash p {
  margin: 0 0 6px;
  font-weight: 600;
  color: var(--stop);
}
.bad {
  color: var(--stop);
}
</style>
