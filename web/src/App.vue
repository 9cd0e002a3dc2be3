<script setup lang="ts">
import { useStorage } from '@vueuse/core'
import { computed, watchEffect } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useTheme } from 'vuetify'
import { useSession } from '@/features/session/useSession'

const session = useSession()
const route = useRoute()
const router = useRouter()
const theme = useTheme()
const night = useStorage('palm-night', false)
watchEffect(() => theme.change(night.value ? 'night' : 'linen'))

const rooms = computed(() =>
  session.staff
    ? [
        { to: '/plan', name: 'Plan', also: ['/term', '/techniques'] },
        { to: '/show', name: 'Show' },
        { to: '/grade', name: 'Grade', also: ['/review', '/floor', '/compare', '/marks'] },
        { to: '/track', name: 'Track' },
        { to: '/school', name: 'School' },
      ]
    : [{ to: '/me', name: 'My palms', also: ['/review', '/peer', '/marks'] }],
)
const here = (room: { to: string; also?: string[] }) =>
  [room.to, ...(room.also ?? [])].some((path) => route.path.startsWith(path))
async function leave() {
  await session.signOut()
  await router.push('/sign-in')
}
</script>

<template>
  <v-app>
    <div class="frame">
      <nav v-if="session.person && !route.meta.bare" class="rail" aria-label="Rooms">
        <img src="/mark.svg" alt="Palm Tally" width="48" height="48" />
        <router-link
          v-for="room in rooms"
          :key="room.to"
          :to="room.to"
          class="room"
          :class="{ here: here(room) }"
          :aria-current="here(room) ? 'page' : undefined"
          >{{ room.name }}</router-link
        >
        <span class="grow" />
        <button class="room small" :aria-pressed="night" @click="night = !night">
          {{ night ? 'Day' : 'Night' }}
        </button>
        <button class="room small" :title="`${session.person.name}, ${session.person.role}`" @click="leave">
          Sign out
        </button>
      </nav>
      <main class="main"><router-view /></main>
    </div>
  </v-app>
</template>

<style scoped>
.frame {
  display: flex;
  min-height: 100vh;
}
.rail {
  width: 84px;
  flex: none;
  background: var(--rail);
  color: var(--rail-ink);
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 8px;
  padding: 14px 6px;
  position: sticky;
  top: 0;
  height: 100vh;
}
.room {
  width: 72px;
  min-height: 52px;
  border-radius: 16px;
  display: flex;
  align-items: center;
  justify-content: center;
  text-align: center;
  color: var(--rail-ink);
  text-decoration: none;
  font: 600 15px/1.15 var(--text);
  background: none;
  border: 0;
  cursor: pointer;
}
.room.small {
  min-height: 44px;
  font-size: 14px;
}
.room.here {
  background: var(--ground);
  color: var(--ink);
}
.room:focus-visible {
  outline-color: var(--rail-ink);
}
.main {
  flex: 1;
  min-width: 0;
}
@media (max-width: 640px) {
  .rail {
    width: 60px;
    padding-inline: 3px;
  }
  .room,
  .room.small {
    width: 54px;
    font-size: 13px;
  }
}
</style>
