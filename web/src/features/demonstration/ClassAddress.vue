<script setup lang="ts">
import { computed } from 'vue'
import QrCode from './QrCode.vue'

/** Where the class looks on: the address, as text and as a QR code. */
const props = defineProps<{ code: string }>()
/** Whether only this computer reaches the address. */
const alone = ['localhost', '127.0.0.1', '[::1]'].includes(location.hostname)
const address = computed(() => `${location.origin}/class/${props.code}`)
</script>

<template>
  <div class="panel card" role="dialog" aria-label="Class screen" @click.stop>
    <QrCode class="qr" :text="address" />
    <div>
      <p class="big">
        <strong>{{ address }}</strong>
      </p>
      <p v-if="alone">
        This address works on this computer only. Started with <code>./palm serve --lan</code> the school is
        reached by phones and the projector’s computer.
      </p>
      <p v-else>Any phone or the projector’s computer opens it without a sign-in and follows.</p>
      <a class="push" :href="address" target="_blank" rel="noopener">Open it here</a>
    </div>
  </div>
</template>

<style scoped src="./night.css"></style>
<style scoped>
.qr {
  width: 280px;
  flex: none;
}
</style>
