<script setup lang="ts">
import { useTemplateRef } from 'vue'
import type { Schema } from '@/api/client'
import { capital, together } from '@/parts/words'
import { useFitted } from './useFitted'

/** What is said of a step, in letters as large as the room allows; what does not fit goes on in pages that turn. */
const props = defineProps<{
  moment: Schema['MomentView']
  /** More is said than stands beside a picture. */
  rich: boolean
  pictured: boolean
  /** The picture stands alone: only what to mind is said. */
  alone: boolean
}>()
const said = useTemplateRef<HTMLElement>('said')
/** Read anew with every answer of the server: what stands there is what counts. */
const { letters, pages, page } = useFitted(said, () =>
  JSON.stringify([props.moment.cues, props.moment.more, props.moment.number, props.pictured]),
)
</script>

<template>
  <div class="words">
    <p v-if="moment.caution" class="caution">{{ capital(moment.caution) }}</p>
    <dl
      v-show="!alone"
      ref="said"
      :class="{ rich: rich }"
      :style="{ '--letters': `${letters}px`, '--page': page }"
    >
      <div v-for="(c, i) in moment.cues" :key="`${moment.number} ${i}`">
        <dt :style="{ color: `var(--${c.lane})` }">
          {{ c.name === moment.cues[i - 1]?.name ? '' : c.name }}
        </dt>
        <dd>{{ together(c.text) }}</dd>
      </div>
      <div v-for="l in moment.more" :key="l.field">
        <dt class="soft">{{ l.label }}</dt>
        <dd>{{ together(l.words) }}</dd>
      </div>
    </dl>
    <p v-if="pages > 1 && !alone" class="turns">{{ page + 1 }} of {{ pages }}, turning by itself</p>
  </div>
</template>

<style scoped>
.words {
  min-width: 0;
  min-height: 0;
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 12px;
  overflow: hidden;
}
/* What does not fit goes on in pages side by side that turn. */
dl {
  flex: 1;
  min-height: 0;
  width: 100%;
  margin: 0;
  font-size: var(--letters);
  line-height: 1.2;
  columns: 1;
  column-gap: 28px;
  column-fill: auto;
  transform: translateX(calc(var(--page) * (-100% - 28px)));
}
dl > div {
  display: grid;
  grid-template-columns: 144px 1fr;
  gap: 14px;
  margin-bottom: 6px;
  break-inside: avoid;
}
/* With all that is said of it: two columns. */
dl.rich {
  columns: 2;
}
dl.rich > div {
  display: block;
  break-inside: auto;
  orphans: 2;
  widows: 2;
}
dl.rich dt,
dl.rich dd {
  display: inline;
}
dl.rich dt:not(:empty)::after {
  content: ' ';
}
dt {
  font-weight: 700;
}
dd {
  margin: 0;
}
.turns {
  font-size: 20px;
  color: var(--ink-soft);
}
.caution {
  background: var(--caution-wash);
  color: var(--caution);
  border-radius: 10px;
  padding: 6px 16px;
  font-weight: 650;
  font-size: 26px;
}
@media (max-width: 899px) {
  dl,
  dl.rich {
    font-size: 19px;
    columns: auto;
    transform: none;
  }
  dl > div {
    grid-template-columns: 74px 1fr;
  }
  .turns {
    display: none;
  }
  .caution {
    font-size: 19px;
  }
}
</style>
