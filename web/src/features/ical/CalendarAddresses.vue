<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, ask } from '@/api/client'
import { useAsked } from '@/api/useAsked'
import { useCommand } from '@/api/useCommand'
import Failed from '@/parts/Failed.vue'
import QrCode from '@/parts/QrCode.vue'
import { inSchool } from '@/parts/when'

/** Somebody's own calendar: as a file, and at addresses that a calendar program reads by itself. */
const { data, again } = useAsked(() => ask(api.GET('/api/me/calendar/addresses')))
const { busy, failed, during } = useCommand()
const name = ref('')
/** The address that was made just now: it is told once. */
const made = ref<string>()
const address = computed(() => made.value && location.origin + made.value)
const alone = ['localhost', '127.0.0.1', '[::1]'].includes(location.hostname)
async function make() {
  const done = await during(async () => {
    const answer = await ask(api.POST('/api/me/calendar/addresses', { body: { name: name.value } }))
    made.value = answer.path
    data.value = answer.addresses
  })
  if (done) name.value = ''
}
async function end(id: string) {
  made.value = undefined
  const done = await during(async () => {
    data.value = await ask(api.DELETE('/api/me/calendar/addresses/{id}', { params: { path: { id } } }))
  })
  if (!done) await again()
}
const when = (iso: string) =>
  inSchool(iso, { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })
</script>

<template>
  <section class="card calendar" aria-label="My calendar">
    <h2>My calendar</h2>
    <p class="soft small">
      Labs, practicals and when hours are due, with nobody’s name in it. A calendar program that is given an
      address reads it anew by itself.
    </p>
    <a class="push" href="/api/me/calendar" download="calendar.ics">Save as a file</a>
    <ul v-if="data?.length">
      <li v-for="a in data" :key="a.id">
        <span
          >{{ a.name }}
          <span class="soft small">{{ a.readAt ? `read ${when(a.readAt)}` : 'not read yet' }}</span></span
        >
        <button
          class="push"
          :disabled="busy"
          :aria-label="`End the address for ${a.name}`"
          @click="end(a.id)"
        >
          End it
        </button>
      </li>
    </ul>
    <div v-if="address" class="made">
      <QrCode class="qr" :text="address" />
      <div>
        <p><strong>Shown this once.</strong> Whoever has it reads your calendar, until you end it.</p>
        <input
          readonly
          :value="address"
          aria-label="Address of my calendar"
          @focus="($event.target as HTMLInputElement).select()"
        />
        <p v-if="alone" class="soft small">
          It works on this computer only, until the school is started for its network.
        </p>
      </div>
    </div>
    <form @submit.prevent="make">
      <label class="field above"
        >For which program <input v-model="name" maxlength="60" placeholder="my phone" required
      /></label>
      <button class="push" :disabled="busy || !name.trim()">New address</button>
    </form>
    <Failed :of="failed" />
  </section>
</template>

<style scoped>
.calendar {
  display: flex;
  flex-direction: column;
  gap: 10px;
  align-items: stretch;
  max-width: 640px;
}
a.push {
  align-self: flex-start;
}
ul {
  list-style: none;
  padding: 0;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
  min-height: 48px;
}
form {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: flex-end;
}
.made {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: center;
}
.made > div {
  flex: 1 1 240px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.qr {
  width: 140px;
  flex: none;
}
.small {
  font-size: 14px;
}
</style>
