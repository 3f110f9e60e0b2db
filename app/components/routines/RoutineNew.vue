<script setup lang="ts">
import Ask from '../frame/Ask.vue'
import FormField from '../fields/FormField.vue'
import type { RoutineView } from '../../contract'

/** Asks for the name of a new routine, or of a copy of one. */
const open = defineModel<boolean>({ required: true })
const props = defineProps<{ from: RoutineView | null }>()
const emit = defineEmits<{ add: [name: string] }>()
const name = ref(props.from ? `${props.from.name}, copy` : '')
</script>

<template>
  <Ask
    v-model="open"
    :title="from ? `A copy of “${from.name}”` : 'A new routine'"
    go="Create"
    :disabled="!name.trim()"
    @go="emit('add', name)"
  >
    <FormField
      v-model="name"
      label="Its name"
      :maxlength="80"
      data-test="new-name"
      placeholder="Invoice for co-operatives"
    />
    <p class="soft">It is switched off until you switch it on. The trial shows what it would do.</p>
  </Ask>
</template>
