<script setup lang="ts">
/** A labelled field of a form; says beneath it what is wrong. */
const value = defineModel<string>({ required: true })
withDefaults(
  defineProps<{
    label: string
    disabled?: boolean
    wrong?: string
    lines?: number
    mono?: boolean
    hint?: string
    /** Words that are offered while one types. */
    suggest?: readonly string[]
  }>(),
  { disabled: false, wrong: '', lines: 1, mono: false, hint: '', suggest: () => [] },
)
const id = useId()
</script>

<template>
  <div class="form-field" :class="{ bad: wrong }">
    <label :for="id">{{ label }}</label>
    <textarea
      v-if="lines > 1"
      :id="id"
      v-model="value"
      :rows="lines"
      :disabled="disabled"
      :class="{ mono }"
    />
    <input
      v-else
      :id="id"
      v-model="value"
      :disabled="disabled"
      :class="{ mono }"
      :list="suggest.length ? `${id}-words` : undefined"
    />
    <datalist v-if="suggest.length" :id="`${id}-words`">
      <option v-for="one in suggest" :key="one" :value="one" />
    </datalist>
    <p v-if="wrong" role="alert" class="wrong">{{ wrong }}</p>
    <p v-else-if="hint" class="soft">{{ hint }}</p>
  </div>
</template>

<style scoped>
.form-field {
  display: flex;
  flex-direction: column;
  min-width: 0;
}
label {
  font-size: 12.5px;
  color: var(--soft-ink);
}
input,
textarea {
  border: 1px solid var(--rule);
  border-radius: 4px;
  padding: 6px 9px;
  font: inherit;
  background: var(--paper);
  color: var(--ink);
  width: 100%;
  resize: vertical;
}
.mono {
  font-family: var(--mono);
}
.bad input,
.bad textarea {
  border-color: var(--brick);
}
p {
  margin: 2px 0 0;
  font-size: 12.5px;
}
.wrong {
  color: var(--brick);
}
</style>
