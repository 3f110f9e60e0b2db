<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import CheckField from '../fields/CheckField.vue'
import CustomerField from './CustomerField.vue'
import { useActing } from '../../composables/useActing'
import { useNewest } from '../../composables/useNewest'
import { attempt } from '../../composables/api'
import { useToasts } from '../../stores/toasts'
import { changeCustomer, fetchCustomer } from '../../calls/customers'
import { comparedRows } from './compared'
import { setUpAs, setUpBefore } from '../../../core/preferences/set-up'
import type { CustomerRow, CustomerView } from '../../contract'

/** Two customers side by side: why the one gets what the other does not, and how to deal with them alike. */
const props = defineProps<{ customer: CustomerView; may: boolean }>()
const emit = defineEmits<{ leave: []; kept: [] }>()
const chosen = shallowRef<CustomerRow | null>(null)
const other = shallowRef<CustomerView>()
const all = ref(false)
const { busy, wrong, acting } = useActing()
const newest = useNewest()
watch(chosen, (now) =>
  attempt(async () => {
    if (!now) return
    const found = await newest(() => fetchCustomer(now.id))
    if (found) other.value = found
  }),
)
const rows = computed(() => (other.value ? comparedRows(props.customer, other.value) : []))
const shown = computed(() => rows.value.filter((row) => all.value || row.differs))
const given = computed(() => (other.value ? setUpAs(other.value, props.customer) : {}))
const nothing = computed(() => !other.value || Object.keys(given.value).length === 0)

async function give() {
  const { id, version, name } = props.customer
  const before = setUpBefore(props.customer, given.value)
  const done = await acting(async () => void (await changeCustomer(id, { version, ...given.value })))
  if (!done) return
  useToasts().say(t('customers.dealtWithLike', { name, other: other.value!.name }), {
    undo: async () => {
      const now = await fetchCustomer(id)
      await changeCustomer(id, { version: now.version, ...before })
      emit('kept')
    },
  })
  emit('kept')
  emit('leave')
}
</script>

<template>
  <Ask
    :model-value="true"
    wide
    :title="t('customers.compareTitle', { name: customer.name })"
    :go="t('customers.dealWithAlike')"
    :busy="busy"
    :disabled="nothing || !may"
    @update:model-value="emit('leave')"
    @go="give"
  >
    <CustomerField v-model="chosen" :label="t('customers.compareWith')" :except="customer.id" only-there />
    <template v-if="other">
      <div class="over">
        <p v-if="shown.length === 0" class="soft">{{ t('customers.nothingDiffers') }}</p>
        <table v-else>
          <thead>
            <tr>
              <th />
              <th>{{ customer.name }}</th>
              <th>{{ other.name }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in shown" :key="row.what" :class="{ differs: row.differs }" data-test="compared">
              <th scope="row">{{ row.what }}</th>
              <td>{{ row.one || '–' }}</td>
              <td>{{ row.other || '–' }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <CheckField v-model="all">{{ t('customers.alsoWhatIsAlike') }}</CheckField>
      <p class="soft">{{ t('customers.whatIsGiven', { name: customer.name, other: other.name }) }}</p>
    </template>
    <p v-else class="soft">{{ t('customers.compareWhy') }}</p>
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
  </Ask>
</template>

<style scoped>
.over {
  max-height: 340px;
  overflow: auto;
  margin: 10px 0;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th {
  text-align: left;
  font-weight: 600;
}
tbody th {
  width: 24%;
  font-weight: 400;
  color: var(--soft-ink);
}
th,
td {
  padding: 5px 10px 5px 0;
  border-bottom: 1px solid var(--rule);
  vertical-align: baseline;
  overflow-wrap: anywhere;
}
.differs td {
  font-weight: 600;
}
</style>
