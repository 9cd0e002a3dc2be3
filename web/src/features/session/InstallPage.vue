<script setup lang="ts">
import { computed } from 'vue'
import { useOfflineReady } from '@/api/useOfflineReady'
import { useAsked } from '@/api/useAsked'
import QrCode from '@/parts/QrCode.vue'

/** How a device comes to trust the school's certificate, once: then it opens the app with the network down as well. */
const ready = useOfflineReady()
const { data: there } = useAsked(async () => {
  const answer = await fetch('/authority.crt')
  // A body that nobody reads keeps its connection.
  await answer.text()
  return answer.ok
})
const address = computed(() => `${location.origin}/install`)
const HOW = [
  {
    on: 'iPhone and iPad',
    steps:
      'Open the file in the browser that came with the device and allow the profile. Then Settings, General, VPN & Device Management: install it. Then Settings, General, About, Certificate Trust Settings: switch it on.',
  },
  {
    on: 'Android',
    steps:
      'Save the file. Then Settings, Security, More security settings, Encryption & credentials, Install a certificate, CA certificate: choose the file.',
  },
  {
    on: 'Windows',
    steps:
      'Open the file, Install Certificate, Current User, Place all certificates in the following store: Trusted Root Certification Authorities.',
  },
  {
    on: 'macOS',
    steps: 'Open the file, add it to the login keychain, open it there and set Trust to Always Trust.',
  },
  {
    on: 'Linux',
    steps:
      'In the browser: Settings, Privacy and security, Security, Manage certificates, Authorities, Import: choose the file and trust it for websites.',
  },
]
</script>

<template>
  <div class="page">
    <div class="card">
      <h1>Let this device know the school</h1>
      <template v-if="ready === 'ready'">
        <p class="good" role="status">
          This device knows it: the app opens here with the network down as well.
        </p>
        <p><router-link class="push main" to="/">To the app</router-link></p>
      </template>
      <template v-else>
        <p>
          The school’s computer signs its own certificate. A browser that does not know who signed it asks
          each time, and keeps nothing for a dead network. Install the signer once; it vouches for this
          school’s computer and nothing else you visit asks for it.
        </p>
        <p v-if="there === false" role="alert">
          This address has no signer of its own to install: it is either this very machine, or has a
          certificate that browsers know.
        </p>
        <template v-else>
          <p><a class="push main" href="/authority.crt" download>Get the file</a></p>
          <dl>
            <template v-for="h in HOW" :key="h.on">
              <dt>{{ h.on }}</dt>
              <dd>{{ h.steps }}</dd>
            </template>
          </dl>
          <p class="soft">
            Then close this page and open it anew: it says here when the device knows the school.
          </p>
        </template>
      </template>
      <div class="others">
        <QrCode class="qr" :text="address" />
        <p class="soft">For the next device: {{ address }}</p>
      </div>
    </div>
  </div>
</template>

<style scoped>
.page {
  max-width: 760px;
  margin: 0 auto;
  padding: 20px;
}
dt {
  font-weight: 650;
  margin-top: 10px;
}
dd {
  margin: 0;
}
.good {
  font-weight: 650;
}
.qr {
  width: min(200px, 50vw);
  flex: none;
}
.others {
  display: flex;
  flex-wrap: wrap;
  overflow-wrap: anywhere;
  gap: 16px;
  align-items: center;
  margin-top: 20px;
}
</style>
