<script setup lang="ts">
import { t } from '../../words'
import { useDebounceFn } from '@vueuse/core'
import { attempt } from '../../composables/api'
import { useNewest } from '../../composables/useNewest'
import { searchCustomers } from '../../calls/customers'
import type { CustomerRow } from '../../contract'

/** Finds a customer by any part of name, number or address. */
const customer = defineModel<CustomerRow | null>({ required: true })
const props = defineProps<{
  label: string
  wrong?: string
  /** One that is not there cannot be added from here. */
  onlyThere?: boolean
  /** One that is not offered, by its id. */
  except?: number
}>()
const emit = defineEmits<{ add: [name: string] }>()
const id = useId()
const found = shallowRef<CustomerRow[]>([])
const typed = ref('')
/** The text that was looked for; what was found for another one is not offered. */
const foundFor = ref<string>()
const offered = computed(() => (foundFor.value === typed.value ? found.value : []))
/** Enter came before the answer: the first that fits is taken once it is there. */
const takesFirst = ref(false)
/**
 * Once somebody is chosen, nothing lies over the fields below. Their name counts as looked for at once: a list that
 * were empty for a moment would open again as it fills.
 */
const listed = ref(false)
watch(
  customer,
  async (now) => {
    if (!now) return
    if (typed.value === now.name) foundFor.value = now.name
    await nextTick()
    listed.value = false
  },
  { flush: 'sync' },
)
const newest = useNewest()
const look = (text: string) =>
  attempt(async () => {
    if (text && text === customer.value?.name) return
    const answer = await newest(() => searchCustomers({ search: text, limit: 8 }))
    if (!answer || text !== typed.value) return
    found.value = answer.rows.filter(({ id }) => id !== props.except)
    foundFor.value = text
    if (takesFirst.value) customer.value = found.value[0] ?? null
    takesFirst.value = false
  })
const lookSoon = useDebounceFn(look, 150)
onMounted(() => look(''))
function search(text: string) {
  typed.value = text
  takesFirst.value = false
  if (text === customer.value?.name) foundFor.value = text
  else void lookSoon(text)
}
/** Never takes one of an older list for what is typed now. */
function enter(event: KeyboardEvent) {
  if (!typed.value || foundFor.value === typed.value) return
  event.stopImmediatePropagation() // the field would take the first of what it shows
  event.preventDefault()
  takesFirst.value = true
}
</script>

<template>
  <div class="customer-field">
    <label :for="id">{{ label }}</label>
    <VAutocomplete
      :id="id"
      v-model="customer"
      v-model:menu="listed"
      :items="offered"
      item-title="name"
      item-value="id"
      return-object
      no-filter
      auto-select-first
      :error-messages="wrong"
      data-test="customer"
      @update:search="search"
      @keydown.enter.capture="enter"
    >
      <template #item="{ props: row, item }">
        <VListItem v-bind="row" :title="item.name" :subtitle="`${item.number} · ${item.country}`" />
      </template>
      <template #no-data>
        <p v-if="foundFor !== typed" class="none soft">{{ t('customers.looking') }}</p>
        <p v-else class="none">
          {{ t('common.noCustomerOfThatName') }}
          <button
            v-if="!onlyThere"
            type="button"
            class="word"
            data-test="add-this-customer"
            @click="emit('add', typed)"
          >
            {{ t('customers.addTyped', { typed: typed || t('customers.aCustomer') }) }}
          </button>
        </p>
      </template>
    </VAutocomplete>
  </div>
</template>

<style scoped>
.customer-field {
  display: flex;
  flex-direction: column;
  min-width: 0;
}
label {
  font-size: var(--small);
  color: var(--soft-ink);
}
.none {
  padding: 8px 14px;
  margin: 0;
}
</style>
