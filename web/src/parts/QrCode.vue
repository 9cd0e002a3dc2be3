<script setup lang="ts">
import qrcode from 'qrcode-generator'
import { computed } from 'vue'

/** An address as a QR code: dark on light in any theme, with the quiet zone of four modules that readers ask for. */
const props = defineProps<{ text: string }>()

const QUIET = 4
const code = computed(() => {
  const made = qrcode(0, 'M')
  made.addData(props.text)
  made.make()
  const n = made.getModuleCount()
  let path = ''
  for (let y = 0; y < n; y++)
    for (let x = 0; x < n; x++) if (made.isDark(y, x)) path += `M${x + QUIET} ${y + QUIET}h1v1h-1z`
  return { size: n + 2 * QUIET, path }
})
</script>

<template>
  <svg :viewBox="`0 0 ${code.size} ${code.size}`" role="img" :aria-label="`QR code of ${text}`">
    <rect width="100%" height="100%" fill="#fff" />
    <path :d="code.path" fill="#000" shape-rendering="crispEdges" />
  </svg>
</template>
