<script setup lang="ts">
import { computed } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { bodyLookBuildValues, bodyLookSkinValues } from '@/api/schema'
import { useCommand } from '@/api/useCommand'
import { useSession } from '@/features/session/useSession'
import Failed from '@/parts/Failed.vue'
import TableFigure from '@/parts/TableFigure.vue'
import { bodyLook, drawBodiesAs } from '@/parts/useBodyLook'
import { capital } from '@/parts/words'

/** How the body is drawn: one choice for all pictures of the school, seen here at once. */
const session = useSession()
const lead = computed(() => session.person?.role === 'lead')
const { failed, during } = useCommand()
const BUILD_NAMES = { middle: 'Middle', heavy: 'Heavier' }
const LYING = ['prone', 'supine', 'side-left', 'side-right', 'seated'] as const
/** Partly open, so that sheet and skin are seen beside one another. */
const OPEN = [
  { unit: 'back', side: 'midline' },
  { unit: 'chest', side: 'midline' },
  { unit: 'arm', side: 'right' },
  { unit: 'leg', side: 'right' },
]
const choices = computed(() => {
  const look = bodyLook.value
  const option = (name: string, change: Partial<Schema['BodyLook']>, chosen: boolean) => ({
    name,
    change,
    chosen,
  })
  return [
    {
      name: 'Skin tone',
      options: bodyLookSkinValues.map((skin) => option(capital(skin), { skin }, look.skin === skin)),
    },
    {
      name: 'Build',
      options: bodyLookBuildValues.map((build) =>
        option(BUILD_NAMES[build], { build }, look.build === build),
      ),
    },
  ]
})
async function choose(change: Partial<Schema['BodyLook']>) {
  const before = bodyLook.value
  drawBodiesAs({ ...before, ...change })
  const done = await during(async () => {
    drawBodiesAs(await ask(api.PUT('/api/school/body-look', { body: { ...before, ...change } })))
  })
  if (!done) drawBodiesAs(before)
}
</script>

<template>
  <section class="card">
    <h2>How the body is drawn</h2>
    <div v-for="c in choices" :key="c.name" class="row" role="group" :aria-label="c.name">
      <span class="name">{{ c.name }}</span>
      <button
        v-for="o in c.options"
        :key="o.name"
        class="push"
        :class="{ main: o.chosen }"
        :aria-pressed="o.chosen"
        :disabled="!lead"
        @click="choose(o.change)"
      >
        <span v-if="o.change.skin" class="tone" :data-skin="o.change.skin" />{{ o.name }}
      </button>
    </div>
    <Failed :of="failed" />
    <div class="bodies">
      <TableFigure v-for="p in LYING" :key="p" class="body" :position="p" :open="OPEN" />
    </div>
    <p class="law">
      For the pictures in plan, show, grade and on the class screen. Handouts are printed in grey, in this
      build. {{ lead ? '' : 'The lead chooses.' }}
    </p>
  </section>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  margin-top: 10px;
}
.name {
  min-width: 84px;
  font-weight: 600;
}
.tone {
  width: 24px;
  height: 24px;
  border-radius: 50%;
  border: 1.5px solid currentColor;
  background: var(--picture-skin);
}
.bodies {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  margin: 16px 0;
}
.body {
  width: 200px;
  height: 440px;
}
.bad {
  color: var(--stop);
}
</style>
