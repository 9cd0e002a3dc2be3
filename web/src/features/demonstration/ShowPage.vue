<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { useSession } from '@/features/session/useSession'
import Standing from '@/parts/Standing.vue'
import TableFigure from '@/parts/TableFigure.vue'
import { stepsOf } from '@/parts/strip'
import { doseWords, mmss, word } from '@/parts/words'
import { useShowing } from './useShowing'

const props = defineProps<{ id: string }>()
const session = useSession()
const router = useRouter()
const { view, problem, here, now, waiting, again, next, back, go } = useShowing(props.id)

const steps = computed(() => (view.value ? stepsOf(view.value.sequence) : []))
const at = (index: number) => {
  const span = view.value?.spans[index]
  const step = steps.value.find((s) => s.id === span?.step)
  return span && step ? { span, step } : undefined
}
const current = computed(() => at(here.value?.index ?? -1))
const after = computed(() => (here.value?.finished ? undefined : at((here.value?.index ?? -1) + 1)))
const shown = computed(() => current.value ?? after.value)
const started = computed(() => !!current.value)
const classSeconds = computed(() => (current.value ? current.value.span.end - current.value.span.start : 0))
const spent = computed(() => (here.value && started.value ? Math.max(0, now.value - here.value.at) : 0))
const left = computed(() => {
  if (!current.value) return 0
  return current.value.span.end - current.value.span.begin - spent.value
})
const ring = computed(() => {
  const whole = current.value ? current.value.span.end - current.value.span.begin : 1
  return Math.max(0, Math.min(1, left.value / whole))
})
const client = computed(() => (here.value ? (view.value?.clientSeconds[here.value.index] ?? 0) : 0))
const token = computed(() => !!here.value && !!view.value?.token[here.value.index])
const place = (step: { id: string }) => steps.value.findIndex((s) => s.id === step.id) + 1
function caution(step: { zones: string[]; technique: string }) {
  for (const z of step.zones) {
    const zone = session.zones.get(z)
    if (zone?.ceilingHigh !== undefined && zone.ceilingHigh <= 3)
      return zone.ceilingHigh === 1
        ? `skin weight only: ${zone.caution}`
        : `depth ${zone.ceilingLow} at most: ${zone.caution}`
  }
  return session.techniques.get(step.technique)?.caution
}
const rows = computed(() => {
  const s = shown.value
  if (!s) return []
  const words = s.step.say.filter((x) => x.words)
  return [
    { hue: 'mechanics', name: 'Stand', text: `${s.step.stance}, ${session.toolName(s.step.tool)}` },
    {
      hue: 'order',
      name: 'Travel',
      text:
        s.step.from && s.step.to
          ? `${s.step.from} → ${s.step.to}, ${doseWords(s.step.dose)}`
          : `${s.step.zones.map(session.zoneName).join(', ')}, ${doseWords(s.step.dose)}`,
    },
    {
      hue: 'pressure',
      name: 'Sink',
      text: `depth ${s.step.depth} of 5, client keeps it at ${s.span.band.low}–${s.span.band.high}`,
    },
    {
      hue: 'draping',
      name: 'Cover',
      text:
        s.step.sheet === 'open'
          ? `open: ${s.span.open.map((o) => (o.side === 'midline' ? o.unit : `${o.side} ${o.unit}`)).join(', ') || 'nothing under the sheet'}`
          : s.step.sheet === 'through'
            ? 'through the sheet'
            : 'covered',
    },
    ...words
      .slice(0, 2)
      .map((w, i) => ({ hue: 'communication', name: i === 0 ? 'Say' : '', text: `“${w.words}”` })),
  ]
})

function goTo(e: MouseEvent) {
  const index = (e.target as HTMLElement).dataset.index
  if (index !== undefined) go(Number(index))
}
function leave() {
  void router.push(view.value ? `/plan/${view.value.sequence.id}` : '/show')
}
onKeyStroke([' ', 'ArrowRight', 'ArrowDown', 'PageDown', 'Enter'], (e) => {
  if (e.target instanceof HTMLButtonElement && (e.key === 'Enter' || e.key === ' ')) return
  e.preventDefault()
  if (!e.repeat) next()
})
onKeyStroke(['ArrowLeft', 'ArrowUp', 'PageUp'], (e) => {
  e.preventDefault()
  if (!e.repeat) back()
})
onKeyStroke('Escape', leave)
</script>

<template>
  <v-theme-provider theme="night" with-background>
    <!-- A tap anywhere goes on: the buttons within say so to those who do not see or point. -->
    <div class="show" @click="next">
      <div v-if="!view" class="alone">
        <Standing :problem="problem as never" :loading="!problem" @again="again" />
      </div>
      <template v-else>
        <header>
          <button class="push quiet" aria-label="Leave the demonstration" @click.stop="leave">←</button>
          <span class="what">{{ view.sequence.name }} · demonstration</span>
          <span class="grow" />
          <span v-if="waiting" class="wait">{{ waiting }} not stored yet</span>
          <span class="drift" :class="{ late: view.progress.driftSeconds >= 10 }">{{
            here?.index === -1 && !here.finished ? 'not started' : view.progress.words
          }}</span>
          <span class="clock" role="timer">{{ mmss(now) }}</span>
        </header>
        <div v-if="here?.finished" class="done">
          <h1>Shown</h1>
          <p class="big">
            {{ view.progress.words }}, after {{ mmss(here.at) }} of {{ mmss(view.planSeconds) }}.
          </p>
          <p v-if="view.progress.leftOut.length" class="big">
            Left out: {{ view.progress.leftOut.map((i) => at(i)?.step.name).join(', ') }}
          </p>
          <p v-else class="big">Everything announced was shown.</p>
          <button class="push main" @click.stop="leave">Back to the plan</button>
        </div>
        <div v-else-if="shown" class="stage">
          <div class="words">
            <p class="place">
              {{ started ? '' : 'First: ' }}Step {{ place(shown.step) }} of {{ steps.length
              }}{{
                shown.span.side === 'midline'
                  ? ''
                  : ` · ${shown.span.side}${shown.span.side === 'both' ? ' sides' : ' side'}`
              }}
            </p>
            <h1>{{ shown.step.name }}</h1>
            <dl>
              <template v-for="r in rows" :key="r.name + r.text">
                <dt :style="{ color: `var(--${r.hue})` }">{{ r.name }}</dt>
                <dd>{{ r.text }}</dd>
              </template>
            </dl>
            <p v-if="caution(shown.step)" class="caution">{{ caution(shown.step) }}</p>
          </div>
          <div class="side">
            <svg
              v-if="started"
              viewBox="0 0 200 200"
              class="ring"
              role="img"
              :aria-label="`${mmss(left)} left of this step`"
            >
              <circle cx="100" cy="100" r="90" fill="none" stroke="var(--line)" stroke-width="14" />
              <circle
                cx="100"
                cy="100"
                r="90"
                fill="none"
                stroke="var(--pressure)"
                stroke-width="14"
                stroke-linecap="round"
                transform="rotate(-90 100 100)"
                :stroke-dasharray="`${ring * 565.5} 565.5`"
              />
              <text x="100" y="116" text-anchor="middle" class="left">{{ mmss(left) }}</text>
            </svg>
            <p v-if="started" class="dose" :class="{ token }">
              {{ token ? `on a client: ${mmss(client)}` : `${mmss(classSeconds)} as on a client` }}
            </p>
            <div class="fig">
              <TableFigure
                :position="shown.step.position"
                :open="shown.span.open"
                :working="{
                  zones: shown.step.zones,
                  side: shown.span.side,
                  through: shown.step.sheet === 'through',
                }"
              />
            </div>
          </div>
        </div>
        <footer v-if="!here?.finished">
          <div class="coming">
            <span class="soft">{{ started ? 'Next' : '' }}</span>
            <strong v-if="started">{{ after ? after.step.name : 'the end' }}</strong>
            <span v-if="started && after && caution(after.step)" class="chip">{{ caution(after.step) }}</span>
            <span class="grow" />
            <button class="push" @click.stop="back">Back</button>
            <button class="push main" @click.stop="next">
              {{ started ? (after ? 'Next' : 'Finish') : 'Start' }}
            </button>
          </div>
          <!-- One target: a touch goes to the step under it; space and arrows go from step to step. -->
          <div
            class="steps"
            role="slider"
            tabindex="0"
            aria-label="Steps; a touch goes to a step"
            :aria-valuemin="0"
            :aria-valuemax="view.spans.length"
            :aria-valuenow="(here?.index ?? -1) + 1"
            :aria-valuetext="current ? `step ${place(current.step)}, ${current.span.side}` : 'not started'"
            @click.stop="goTo"
          >
            <div
              v-for="(s, i) in view.spans"
              :key="i"
              class="cell"
              :class="{ on: i === here?.index, past: here && i < here.index }"
              :style="{ flexGrow: s.end - s.begin }"
              :data-index="i"
            >
              {{ place({ id: s.step }) }}
            </div>
          </div>
          <p class="law">{{ session.catalogue?.law }} · {{ word(shown?.step.position ?? '') }}</p>
        </footer>
      </template>
    </div>
  </v-theme-provider>
</template>

<style scoped>
.show {
  min-height: 100vh;
  background: var(--ground);
  color: var(--ink);
  display: flex;
  flex-direction: column;
  padding: 18px 28px 12px;
  cursor: pointer;
  user-select: none;
}
.alone {
  padding: 40px;
}
header {
  display: flex;
  align-items: center;
  gap: 18px;
}
.quiet {
  border-color: var(--line);
  background: transparent;
}
.what {
  font-size: 20px;
  color: var(--ink-soft);
}
.drift {
  font-size: 22px;
  font-weight: 650;
}
.drift.late,
.wait {
  color: var(--draping);
}
.clock {
  font: 700 50px/1 var(--text);
}
.stage {
  flex: 1;
  display: flex;
  gap: 28px;
  margin-top: 8px;
  min-height: 0;
}
.words {
  flex: 1;
  min-width: 0;
}
.place {
  font-size: 22px;
  font-weight: 650;
  color: var(--order);
}
h1 {
  font-size: 64px;
  margin: 4px 0 18px;
}
dl {
  display: grid;
  grid-template-columns: 96px 1fr;
  gap: 8px 14px;
  font-size: 24px;
  margin: 0;
}
dt {
  font-weight: 700;
}
dd {
  margin: 0;
}
.caution,
.chip {
  background: #5a1f15;
  color: #ffe3da;
  border-radius: 10px;
  padding: 6px 14px;
  font-weight: 650;
}
.caution {
  display: inline-block;
  margin-top: 16px;
  font-size: 22px;
}
.side {
  width: 300px;
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 8px;
}
.ring {
  width: 210px;
}
.left {
  font: 700 58px var(--text);
  fill: var(--ink);
}
.dose {
  font-size: 22px;
}
.dose.token {
  color: var(--draping);
  font-weight: 700;
}
.fig {
  flex: 1;
  min-height: 150px;
  max-height: 260px;
  width: 100%;
}
.coming {
  display: flex;
  align-items: center;
  gap: 14px;
  font-size: 22px;
  min-height: 52px;
}
.coming .push {
  font-size: 18px;
  min-width: 110px;
}
.chip {
  font-size: 18px;
  padding: 4px 12px;
}
.steps {
  display: flex;
  gap: 3px;
  margin-top: 8px;
}
.cell {
  flex: 1 1 0;
  min-width: 0;
  height: 46px;
  border-radius: 8px;
  background: var(--paper);
  color: var(--ink);
  font: 700 16px/46px var(--text);
  text-align: center;
  overflow: hidden;
}
.cell.past {
  background: var(--order-wash);
}
.cell.on {
  background: var(--order);
  color: var(--on-hue);
}
.done {
  flex: 1;
  display: flex;
  flex-direction: column;
  gap: 16px;
  align-items: flex-start;
  justify-content: center;
}
.big {
  font-size: 28px;
}
.law {
  margin-top: 8px;
}
</style>
