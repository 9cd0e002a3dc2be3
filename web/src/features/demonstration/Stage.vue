<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import type { Schema } from '@/api/client'
import type { Picture } from '@/parts/picture'
import StepPicture from '@/parts/StepPicture.vue'
import TableFigure from '@/parts/TableFigure.vue'
import TablePicture from '@/parts/TablePicture.vue'
import { capital, mmss } from '@/parts/words'
import TimeRing from './TimeRing.vue'
import { useFitted } from './useFitted'

/** The one big thing of the moment, to be read from eight metres: what, how, how long, and what to mind. */
const props = defineProps<{
  moment: Schema['MomentView']
  /** How many steps the sequence has. */
  of: number
  /** What the class sees of it, seconds. */
  seconds: number
  /** Whether that is less than half of what a client needs. */
  token: boolean
  /** Seconds the hands and what goes before them have had, or undefined while it has not begun. */
  spent?: number
  /** Seconds it has with all that goes before. */
  allowed: number
  paused?: boolean
  /** Where a picture of the school's own is read from. */
  pictures: string
  /** What the step looks like, once it is known. */
  seen?: Picture
  /** What the room looks at: the picture, the words, or both. */
  look?: 'both' | 'picture' | 'words'
}>()

/** Letters of a line, and lines of words, that stand beside a large picture in letters for eight metres. */
const LINE = 44
const LINES = 6
/** Where more is said, the words have the room and the picture is small. */
const crowded = computed(() => {
  const said = [
    ...props.moment.cues.map((c) => `${c.name} ${c.text}`),
    ...props.moment.more.map((l) => `${l.label} ${l.words}`),
    ...(props.moment.caution ? [props.moment.caution, ''] : []),
  ]
  const lines = said.reduce((sum, text) => sum + Math.max(1, Math.ceil(text.length / LINE)), 0)
  return (props.look ?? 'both') === 'both' && lines > LINES
})
const large = computed(() => props.look !== 'words' && !!props.seen && !crowded.value)

const said = useTemplateRef<HTMLElement>('said')
/** Read anew with every answer of the server: what stands there is what counts. */
const { letters, pages, page } = useFitted(said, () =>
  JSON.stringify([props.moment.cues, props.moment.more, props.moment.number, large.value]),
)
/** A picture that is not here: the figure stands for it. */
const missing = ref<string>()
const left = computed(() => props.allowed - (props.spent ?? 0))
/** Time the hands have worked: turning, sheet and questions come first. */
const worked = computed(() => Math.max(0, (props.spent ?? 0) - (props.allowed - props.seconds)))
/** Seconds for the hands of the picture: still until they begin and while it is paused. */
const moving = computed(() => props.spent !== undefined && !props.paused && worked.value > 0)
const label = computed(() =>
  [props.moment.name, props.moment.place, ...(props.seen?.facts.words ?? [])].filter(Boolean).join(', '),
)
const counted = computed(() => {
  const beat = props.moment.beat
  if (!beat || props.spent === undefined) return ''
  const most = Math.max(1, Math.round(props.seconds / beat.seconds))
  const at = Math.min(most, Math.floor(worked.value / beat.seconds) + 1)
  return `${beat.unit} ${at} of ${most}${most < beat.count ? `, ${beat.count} on a client` : ''}`
})
/** What the class sees beside what a client needs. */
const dose = computed(() => {
  const here = mmss(props.seconds)
  if (props.token) return `${here} here. On a client: ${mmss(props.moment.clientSeconds)}`
  return props.seconds < props.moment.clientSeconds - 0.5
    ? `${here} here, ${mmss(props.moment.clientSeconds)} on a client`
    : `${here}, as on a client`
})
</script>

<template>
  <div class="stage" :class="[look ?? 'both', { pictured: large }]">
    <div v-if="large && seen" class="seen">
      <div class="lit">
        <img
          v-if="moment.picture && missing !== moment.picture"
          class="own"
          :src="`${pictures}/${moment.picture}`"
          alt="Picture of this step"
          @error="missing = moment.picture"
        />
        <StepPicture v-else :picture="seen" :label="label" :seconds="worked" :still="!moving" />
        <TablePicture class="above" :picture="seen" label="The table from above" />
      </div>
      <p v-if="seen.facts.words.length" class="facts">
        <span v-for="w in seen.facts.words" :key="w">{{ w }}</span>
      </p>
    </div>
    <div class="words">
      <p class="place">
        {{ spent === undefined ? 'First: ' : '' }}Step {{ moment.number }} of {{ of
        }}{{ moment.place ? ` · ${moment.place}` : '' }}{{ paused ? ' · paused' : '' }}
      </p>
      <h1 :class="{ long: moment.name.length > 20 }">{{ moment.name }}</h1>
      <p v-if="moment.caution" class="caution">{{ capital(moment.caution) }}</p>
      <dl
        v-show="look !== 'picture' || !seen"
        ref="said"
        :class="{ rich: moment.more.length }"
        :style="{ '--letters': `${letters}px`, '--page': page }"
      >
        <div v-for="(c, i) in moment.cues" :key="`${moment.number} ${i}`">
          <dt :style="{ color: `var(--${c.lane})` }">
            {{ c.name === moment.cues[i - 1]?.name ? '' : c.name }}
          </dt>
          <dd>{{ c.text }}</dd>
        </div>
        <div v-for="l in moment.more" :key="l.field">
          <dt class="soft">{{ l.label }}</dt>
          <dd>{{ l.words }}</dd>
        </div>
      </dl>
      <p v-if="pages > 1 && look !== 'picture'" class="turns">
        {{ page + 1 }} of {{ pages }}, turning by itself
      </p>
    </div>
    <div class="side">
      <TimeRing v-if="spent !== undefined" class="ring" :left="left" :of="allowed" name="this step" />
      <p class="dose" :class="{ token }">
        {{ dose }}
      </p>
      <p v-if="counted" class="count">{{ capital(counted) }}</p>
      <div v-if="!large" class="fig">
        <StepPicture
          v-if="seen && crowded"
          class="small"
          :picture="seen"
          :label="label"
          :seconds="worked"
          :still="!moving"
        />
        <TableFigure
          v-else
          :position="moment.position"
          :open="moment.open"
          :working="{ zones: moment.zones, side: moment.side, through: moment.through }"
        />
      </div>
    </div>
  </div>
</template>

<style scoped>
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
  min-height: 0;
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  overflow: hidden;
}
/* The picture has the left half, what is said of it the right. */
.pictured {
  display: grid;
  grid-template-columns: minmax(0, 1.12fr) minmax(0, 1fr);
  grid-template-rows: minmax(0, 1fr) auto;
  grid-template-areas: 'seen words' 'side words';
  column-gap: 28px;
  row-gap: 8px;
}
.pictured .words {
  grid-area: words;
}
.pictured.picture {
  grid-template-columns: minmax(0, 1.9fr) minmax(0, 1fr);
}
.seen {
  grid-area: seen;
  min-height: 0;
  display: flex;
  flex-direction: column;
  border-radius: 24px;
  overflow: hidden;
  background: var(--picture-ground);
}
.lit {
  flex: 1;
  min-height: 0;
  position: relative;
}
.above {
  position: absolute;
  right: 10px;
  bottom: 10px;
  width: 17%;
  height: auto;
}
.facts {
  display: flex;
  flex-wrap: wrap;
  column-gap: 18px;
  padding: 6px 20px 9px;
  background: #fffdf6;
  color: #22302c;
  font-size: 18px;
  line-height: 1.25;
}
.facts span:first-child {
  font-weight: 700;
}
.pictured h1,
.pictured h1.long {
  font-size: 60px;
  line-height: 1;
}
.pictured .side {
  grid-area: side;
  width: 100%;
  display: flex;
  flex-direction: row;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 22px;
}
.pictured .ring {
  width: 104px;
}
.pictured .dose,
.pictured .count {
  text-align: left;
}
/* What does not fit under the name goes on in pages that turn. */
.pictured dl,
.pictured dl.rich {
  width: 100%;
  columns: 1;
  column-gap: 28px;
  column-fill: auto;
  transform: translateX(calc(var(--page) * (-100% - 28px)));
}
.pictured dl > div {
  break-inside: avoid;
}
.place {
  font-size: 26px;
  font-weight: 650;
  color: var(--order);
}
h1 {
  font-size: 84px;
  line-height: 1.02;
  margin: 4px 0 14px;
  overflow-wrap: anywhere;
}
h1.long {
  font-size: 64px;
}
dl {
  flex: 1;
  min-height: 0;
  margin: 14px 0 0;
  font-size: var(--letters);
  line-height: 1.2;
}
dl > div {
  display: grid;
  grid-template-columns: 122px 1fr;
  gap: 14px;
  margin-bottom: 6px;
}
/* With all that is said of it: two columns, and where that is too much, pages side by side. */
dl.rich {
  columns: 2;
  column-gap: 28px;
  transform: translateX(calc(var(--page) * (-100% - 28px)));
}
dl.rich > div {
  display: block;
  break-inside: avoid;
}
dl.rich dt,
dl.rich dd {
  display: inline;
}
dl.rich dt:not(:empty)::after {
  content: ' ';
}
.turns {
  font-size: 20px;
  color: var(--ink-soft);
}
dt {
  font-weight: 700;
}
dd {
  margin: 0;
}
.caution {
  display: inline-block;
  background: var(--caution-wash);
  color: var(--caution);
  border-radius: 10px;
  padding: 6px 16px;
  font-weight: 650;
  font-size: 26px;
}
.side {
  width: 300px;
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 6px;
}
.ring {
  width: 200px;
}
.dose,
.count {
  font-size: 24px;
  text-align: center;
}
.dose.token {
  color: var(--draping);
  font-weight: 700;
}
.count {
  font-weight: 650;
}
.own {
  flex: 1;
  min-height: 0;
  max-width: 100%;
  object-fit: contain;
  border-radius: 14px;
}
.small {
  border-radius: 16px;
}
.fig {
  flex: 1;
  min-height: 100px;
  max-height: 300px;
  width: 100%;
}
/* On a phone: the same, one under the other. */
@media (max-width: 899px) {
  .stage {
    flex-direction: column;
    gap: 12px;
  }
  .pictured {
    display: flex;
  }
  .seen {
    flex: none;
    height: 52vh;
    order: -1;
  }
  .facts {
    font-size: 15px;
  }
  .pictured h1,
  .pictured h1.long {
    font-size: 34px;
  }
  .words {
    flex: none;
  }
  .place {
    font-size: 19px;
  }
  h1,
  h1.long {
    font-size: 42px;
    margin-bottom: 8px;
  }
  dl {
    font-size: 19px;
  }
  dl > div {
    grid-template-columns: 74px 1fr;
  }
  dl.rich,
  .pictured dl,
  .pictured dl.rich {
    columns: auto;
    transform: none;
  }
  .turns {
    display: none;
  }
  .caution {
    font-size: 19px;
  }
  .side {
    order: -1;
    width: 100%;
    display: grid;
    grid-template-columns: auto 1fr 76px;
    align-items: center;
  }
  .ring {
    width: 112px;
    grid-row: 1 / span 2;
  }
  .dose,
  .count {
    font-size: 18px;
    text-align: left;
    grid-column: 2;
  }
  .fig {
    grid-column: 3;
    grid-row: 1 / span 2;
    height: 112px;
    min-height: 0;
  }
}
</style>
