<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schema } from '@/api/client'
import type { Picture } from '@/parts/picture'
import StepPicture from '@/parts/StepPicture.vue'
import TableFigure from '@/parts/TableFigure.vue'
import TablePicture from '@/parts/TablePicture.vue'
import { capital, mmss } from '@/parts/words'
import StageSaid from './StageSaid.vue'
import TimeRing from './TimeRing.vue'

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
  look?: Schema['ClassLiveView']['look']
}>()

const pictured = computed(() => props.look !== 'words' && !!props.seen)
/** Letters of a line, and lines of words, that stand beside a large picture in letters for eight metres. */
const LINE = 44
const LINES = 8
/** Where more is said, the words have more of the room than the picture. */
const crowded = computed(() => {
  const all = [
    ...props.moment.cues.map((c) => `${c.name} ${c.text}`),
    ...props.moment.more.map((l) => `${l.label} ${l.words}`),
    ...(props.moment.caution ? [props.moment.caution, ''] : []),
  ]
  return all.reduce((sum, text) => sum + Math.max(1, Math.ceil(text.length / LINE)), 0) > LINES
})

/** A picture that is not here: the figure stands for it. */
const missing = ref<string>()
const left = computed(() => props.allowed - (props.spent ?? 0))
/** Time the hands have worked: turning, sheet and questions come first. */
const worked = computed(() => Math.max(0, (props.spent ?? 0) - (props.allowed - props.seconds)))
/** Seconds until the hands begin, while sheet, limb and feet are set. */
const until = computed(() =>
  props.spent === undefined ? 0 : Math.max(0, props.allowed - props.seconds - props.spent),
)
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
  <div class="stage" :class="{ pictured, crowded, sole: pictured && look === 'picture' }">
    <div class="head">
      <p class="place">
        {{ spent === undefined ? 'First: ' : '' }}Step {{ moment.number }} of {{ of
        }}{{ moment.place ? ` · ${moment.place}` : '' }}{{ paused ? ' · paused' : '' }}
      </p>
      <h1 :class="{ long: moment.name.length > 24 }">{{ moment.name }}</h1>
      <div class="side">
        <p class="dose" :class="{ token }">{{ dose }}</p>
        <p v-if="until > 0" class="count">Hands in {{ mmss(until) }}</p>
        <p v-else-if="counted" class="count">{{ capital(counted) }}</p>
      </div>
      <TimeRing v-if="spent !== undefined" class="ring" :left="left" :of="allowed" name="this step" />
    </div>
    <div class="seen">
      <template v-if="pictured && seen">
        <div class="lit">
          <img
            v-if="moment.picture && missing !== moment.picture"
            class="own"
            :src="`${pictures}/${moment.picture}`"
            alt="Picture of this step"
            @error="missing = moment.picture"
          />
          <StepPicture
            v-else
            :picture="seen"
            :label="label"
            :seconds="worked"
            :still="!moving"
            :set-up="until > 0"
          />
          <p v-if="look === 'picture' && moment.caution" class="caution on">{{ capital(moment.caution) }}</p>
          <TablePicture class="above" :picture="seen" label="The table from above" />
        </div>
        <p v-if="seen.facts.words.length" class="facts">
          <span v-for="w in seen.facts.words" :key="w">{{ w }}</span>
        </p>
      </template>
      <TableFigure
        v-else
        :position="moment.position"
        :open="moment.open"
        :working="{ zones: moment.zones, side: moment.side, through: moment.through }"
      />
    </div>
    <StageSaid
      class="words"
      :moment="moment"
      :rich="crowded"
      :pictured="pictured"
      :alone="look === 'picture'"
    />
  </div>
</template>

<style scoped>
/* The name across the whole, under it what is seen and what is said. */
.stage {
  flex: 1;
  min-height: 0;
  margin: 4px 0 10px;
  display: grid;
  grid-template-columns: 300px minmax(0, 1fr);
  grid-template-rows: auto minmax(0, 1fr);
  gap: 10px 28px;
}
.pictured {
  grid-template-columns: minmax(0, 1.12fr) minmax(0, 1fr);
}
.pictured.crowded {
  grid-template-columns: minmax(0, 0.6fr) minmax(0, 1fr);
}
.pictured.sole {
  grid-template-columns: minmax(0, 1fr) minmax(0, 0);
  column-gap: 0;
}
.head {
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: 1fr auto auto;
  column-gap: 22px;
  align-items: center;
}
.place {
  font-size: 26px;
  font-weight: 650;
  color: var(--order);
}
h1 {
  grid-area: 2 / 1 / auto / 3;
  font-size: 72px;
  line-height: 1.05;
  padding-bottom: 6px;
  overflow-wrap: anywhere;
}
h1.long {
  font-size: 60px;
}
.side {
  display: flex;
  gap: 0 22px;
  font-size: 24px;
}
.ring {
  grid-area: 1 / 3 / span 2 / auto;
  width: 128px;
}
.dose.token {
  color: var(--draping);
  font-weight: 700;
}
.count {
  font-weight: 650;
}
.seen {
  min-height: 0;
  display: flex;
  flex-direction: column;
}
.pictured .seen {
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
  width: clamp(84px, 17%, 130px);
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
.caution {
  background: var(--caution-wash);
  color: var(--caution);
  border-radius: 10px;
  padding: 6px 16px;
  font-weight: 650;
  font-size: 26px;
}
.on {
  position: absolute;
  top: 12px;
  left: 12px;
}
.own {
  width: 100%;
  height: 100%;
  object-fit: contain;
}
/* On a phone: the same, one under the other. */
@media (max-width: 899px) {
  .stage,
  .pictured,
  .pictured.crowded {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: none;
    align-content: start;
  }
  .head {
    column-gap: 12px;
  }
  .place {
    grid-column: 1 / 3;
    font-size: 19px;
  }
  h1,
  h1.long {
    font-size: 29px;
  }
  .side {
    grid-area: 3 / 1 / auto / 3;
    flex-wrap: wrap;
    font-size: 18px;
  }
  .ring {
    grid-row: 1 / span 3;
    width: 92px;
  }
  .seen {
    height: 180px;
  }
  .pictured .seen {
    height: 42vh;
  }
  .facts {
    font-size: 15px;
  }
  .caution {
    font-size: 19px;
  }
}
</style>
