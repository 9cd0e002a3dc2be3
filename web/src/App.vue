<script setup lang="ts">
import { useStorage } from '@vueuse/core'
import { computed, defineAsyncComponent, watchEffect } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useTheme } from 'vuetify'
import { useSession } from '@/features/session/useSession'
import { useFirstSteps } from '@/features/school/useFirstSteps'
import { undoOffer } from '@/parts/undoOffer'
import { usePhone } from '@/parts/usePhone'

const FirstSteps = defineAsyncComponent(() => import('@/features/school/FirstSteps.vue'))
const TakenLab = defineAsyncComponent(() => import('@/features/briefing/TakenLab.vue'))
const UndoOffer = defineAsyncComponent(() => import('@/parts/UndoOffer.vue'))
const MoreMenu = defineAsyncComponent(() => import('@/features/session/MoreMenu.vue'))
const session = useSession()
const route = useRoute()
const router = useRouter()
const theme = useTheme()
const night = useStorage('palm-night', false)
/** On a phone the rooms are a bar below, where the thumb is; what is seldom wanted is behind the last of it. */
const phone = usePhone()
const framed = computed(() => session.person && !route.meta.bare)
/** A new school: its lead is told what comes next, until something was shown. */
const firstSteps = useFirstSteps(() => !!framed.value && session.person?.role === 'lead')
watchEffect(() => theme.change(night.value ? 'night' : 'linen'))

const rooms = computed(() =>
  session.staff
    ? [
        { to: '/plan', name: 'Plan', also: ['/term', '/techniques'] },
        { to: '/show', name: 'Show' },
        {
          to: '/grade',
          name: 'Grade',
          also: [
            '/review',
            '/floor',
            '/compare',
            '/marks',
            '/timetable',
            '/raised',
            '/incidents',
            '/practice',
          ],
        },
        {
          to: '/track',
          name: 'Track',
          also: ['/door', '/partners', '/briefing', '/earlier', '/sign', '/statements'],
        },
        { to: '/school', name: 'School' },
      ]
    : [{ to: '/me', name: 'My palms', also: ['/review', '/peer', '/marks', '/incidents'] }],
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
    <div class="frame" :class="{ framed, guided: firstSteps.next.value }">
      <nav v-if="framed" class="rail" aria-label="Rooms">
        <img v-if="!phone" src="/mark.svg" alt="Palm Tally" width="48" height="48" />
        <router-link
          v-for="room in rooms"
          :key="room.to"
          :to="room.to"
          class="room"
          :class="{ here: here(room) }"
          :aria-current="here(room) ? 'page' : undefined"
          >{{ room.name }}</router-link
        >
        <MoreMenu
          v-if="phone"
          v-model:night="night"
          :who="`${session.person?.name}, ${session.person?.role}`"
          @leave="leave"
        />
        <template v-else>
          <span class="grow" />
          <button class="room small" :aria-pressed="night" @click="night = !night">
            {{ night ? 'Day' : 'Night' }}
          </button>
          <button
            class="room small"
            :title="`${session.person?.name}, ${session.person?.role}`"
            @click="leave"
          >
            Sign out
          </button>
        </template>
      </nav>
      <main class="main">
        <TakenLab v-if="framed && session.takes.length && route.path !== '/briefing'" />
        <router-view />
      </main>
      <UndoOffer v-if="framed && undoOffer" />
      <FirstSteps
        v-if="firstSteps.next.value"
        class="guide"
        :steps="firstSteps.steps.value"
        :next="firstSteps.next.value"
        :here="firstSteps.here.value"
        @later="firstSteps.later"
      />
    </div>
  </v-app>
</template>

<style scoped>
.frame {
  display: flex;
  min-height: 100dvh;
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
  height: 100dvh;
  overflow-y: auto;
}
.rail :deep(.room) {
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
.rail :deep(.room.small) {
  min-height: 44px;
  font-size: 14px;
}
.rail :deep(.room.here) {
  background: var(--ground);
  color: var(--ink);
  /* By night ground and rail are nearly alike. */
  box-shadow: inset 0 0 0 2px var(--rail-ink);
}
.rail :deep(.room:focus-visible) {
  outline-color: var(--rail-ink);
}
.main {
  flex: 1;
  min-width: 0;
}
.guided {
  --guide: 64px;
  --bar: var(--guide);
  padding-bottom: var(--bar);
}
.guide {
  position: fixed;
  z-index: 4;
  inset: auto 0 0 84px;
  height: var(--guide);
}
@media (max-width: 640px) {
  .frame {
    flex-direction: column-reverse;
    justify-content: flex-end;
  }
  .framed {
    --rooms: calc(60px + env(safe-area-inset-bottom));
    --bar: var(--rooms);
    padding-bottom: var(--bar);
  }
  .guided {
    --guide: 104px;
    --bar: calc(var(--rooms) + var(--guide));
  }
  .guide {
    inset: auto 0 var(--rooms);
  }
  .rail {
    position: fixed;
    z-index: 5;
    inset: auto 0 0;
    width: auto;
    height: var(--rooms);
    flex-direction: row;
    gap: 2px;
    padding: 4px 4px calc(4px + env(safe-area-inset-bottom));
  }
  .rail :deep(.room) {
    width: auto;
    flex: 1 1 0;
    min-width: 44px;
    font-size: 14px;
  }
}
/* A phone on its side: the rooms still stand on the left, and none is out of sight. */
@media (max-height: 480px) and (min-width: 641px) {
  .rail {
    gap: 2px;
    padding-block: 4px;
  }
  .rail img {
    display: none;
  }
  .rail :deep(.room) {
    min-height: 44px;
  }
}
</style>
