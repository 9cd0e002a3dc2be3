<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, ask, type Schema } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useCommand } from '@/api/useCommand'
import { useSession } from '@/features/session/useSession'
import Failed from '@/parts/Failed.vue'
import Standing from '@/parts/Standing.vue'
import { dayOfYear } from '@/parts/when'

/** How long what is kept, and what will go by that. */
const session = useSession()
const { data, problem, loading, again } = useAsked(() => ask(api.GET('/api/school/retention')))
const { busy, failed, during } = useCommand()
const given = ref<Record<string, string>>({})
const held = ref<string>()
const why = ref('')
/** What was typed otherwise than it stands; nothing typed is for ever. */
const changed = computed(() =>
  Object.fromEntries(
    (data.value?.rules ?? []).flatMap((r) => {
      const text = given.value[r.kind]
      if (text === undefined) return []
      const months = text.trim() === '' ? undefined : Number(text)
      return months === (r.months ?? undefined) ? [] : [[r.kind, months ?? null]]
    }),
  ),
)
const save = () =>
  during(async () => {
    data.value = await ask(
      api.PUT('/api/school/retention', { body: { months: changed.value as Record<string, number> } }),
    )
    given.value = {}
  })
const at = (g: Schema['Going']) => ({ path: { kind: g.kind, item: g.item } })
const hold = (g: Schema['Going']) =>
  during(async () => {
    data.value = await ask(
      api.PUT('/api/school/retention/{kind}/{item}/hold', { params: at(g), body: { why: why.value } }),
    )
    held.value = undefined
    why.value = ''
  })
const letGo = (g: Schema['Going']) =>
  during(async () => {
    data.value = await ask(api.DELETE('/api/school/retention/{kind}/{item}/hold', { params: at(g) }))
  })
</script>

<template>
  <Standing :problem="problem" :loading="loading && !data" @again="again" />
  <div v-if="data" class="halves">
    <section class="card" aria-label="How long it is kept">
      <h2>How long it is kept</h2>
      <form @submit.prevent="save">
        <label v-for="r in data.rules" :key="r.kind" class="rule">
          <span>{{ r.words }}</span>
          <span class="months"
            ><input
              inputmode="numeric"
              :value="given[r.kind] ?? r.months ?? ''"
              placeholder="for ever"
              :aria-label="`Months: ${r.words}`"
              @input="given[r.kind] = ($event.target as HTMLInputElement).value"
            />
            months</span
          >
        </label>
        <Failed :of="failed" />
        <button class="push main" :disabled="busy || !Object.keys(changed).length">Keep it so</button>
      </form>
      <p class="soft">
        How long records have to be kept is for local law to say. What was kept long enough goes by itself,
        for good, and is shown here for {{ data.noticeDays }} days before.
      </p>
      <p class="law">{{ session.catalogue?.law }}</p>
    </section>
    <section class="card" aria-label="What will go">
      <h2>What will go</h2>
      <p v-if="!data.going.length" class="soft">Nothing.</p>
      <ul v-else>
        <li v-for="g in data.going" :key="g.kind + g.item">
          <span
            ><strong>{{ g.name }}</strong>
            <span class="soft">counts from {{ dayOfYear(g.since) }}</span></span
          >
          <span v-if="g.goesOn" class="goes">goes on {{ dayOfYear(g.goesOn) }}</span>
          <span v-else>held back by {{ g.heldBy }}: {{ g.heldWhy }}</span>
          <button v-if="!g.goesOn" class="push" :disabled="busy" @click="letGo(g)">Let it go</button>
          <button v-else-if="held !== g.item" class="push" @click="((held = g.item), (why = ''))">
            Hold it back
          </button>
          <form v-else class="hold" @submit.prevent="hold(g)">
            <label>Why it stays <input v-model="why" required maxlength="400" /></label>
            <button class="push main" :disabled="busy">Hold it back</button>
          </form>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.rule {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
  justify-content: space-between;
  min-height: 52px;
  border-top: 1px solid var(--line);
}
.rule > :first-child {
  flex: 1 1 240px;
}
.months input {
  width: 96px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  min-height: 52px;
  border-top: 1px solid var(--line);
}
li > :first-child {
  flex: 1 1 220px;
}
strong + .soft {
  margin-left: 10px;
}
.goes {
  color: var(--stop);
  font-weight: 650;
}
.hold {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: end;
}
.hold input {
  display: block;
}
</style>
