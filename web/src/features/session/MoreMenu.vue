<script setup lang="ts">
/** What is seldom wanted on a phone, behind the last room of the bar; fetched there alone. */
defineProps<{ who: string }>()
defineEmits<{ leave: [] }>()
const night = defineModel<boolean>('night', { required: true })
</script>

<template>
  <v-menu location="top end" offset="6">
    <template #activator="{ props }"><button class="room" v-bind="props">More</button></template>
    <v-list>
      <v-list-subheader>{{ who }}</v-list-subheader>
      <v-list-item :title="night ? 'Day' : 'Night'" @click="night = !night" />
      <v-list-item title="Sign out" @click="$emit('leave')" />
    </v-list>
  </v-menu>
</template>
