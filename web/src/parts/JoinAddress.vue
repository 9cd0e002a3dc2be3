<script setup lang="ts">
import { computed } from 'vue'
import QrCode from './QrCode.vue'

/** Where others join with a phone: the address, as text and as a QR code. */
const props = defineProps<{
  /** What is joined, as its dialog is called. */
  name: string
  /** Path of the address, as in /class/abcde. */
  path: string
  /** Who opens it, and what for. */
  words: string
}>()
/** Whether only this computer reaches the address. */
const alone = ['localhost', '127.0.0.1', '[::1]'].includes(location.hostname)
const address = computed(() => `${location.origin}${props.path}`)
/** Where its code begins: a line may break before it, not within. */
const code = computed(() => address.value.lastIndexOf('/') + 1)
</script>

<template>
  <div class="join card" role="dialog" :aria-label="name" @click.stop>
    <QrCode class="qr" :text="address" />
    <div>
      <p class="address">
        <strong>{{ address.slice(0, code) }}<wbr />{{ address.slice(code) }}</strong>
      </p>
      <p v-if="alone">
        This address works on this computer only. Started with <code>./palm serve --lan</code> the school is
        reached by phones and the projector’s computer.
      </p>
      <p v-else>{{ words }}</p>
      <div class="does">
        <a class="push" :href="address" target="_blank" rel="noopener">Open it here</a>
        <slot />
      </div>
    </div>
  </div>
</template>

<style scoped>
.join {
  display: flex;
  gap: 28px;
  align-items: center;
  font-size: 20px;
}
.address {
  font-size: 28px;
  overflow-wrap: break-word;
}
.qr {
  width: min(280px, 60vw);
  flex: none;
}
.does {
  display: flex;
  gap: 10px;
  margin-top: 10px;
}
@media (max-width: 899px) {
  .join {
    flex-direction: column;
    font-size: 17px;
  }
  .address {
    font-size: 20px;
  }
}
</style>
