<script setup lang="ts">
import { t } from '../../words'
import Ask from '../../components/frame/Ask.vue'
import FormField from '../../components/fields/FormField.vue'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useActing } from '../../composables/useActing'
import { useLive } from '../../composables/useLive'
import { attempt } from '../../composables/api'
import { plural } from '../../composables/format'
import { correctAddress, fetchAddressesToCheck } from '../../calls/customers'

/** Email addresses that somebody should look at, by what is the matter, each with its remedy. */
type Found = Awaited<ReturnType<typeof fetchAddressesToCheck>>['addresses'][number]
const session = useSession()
const found = shallowRef<Found[]>()
const load = () =>
  attempt(async () => {
    found.value = (await fetchAddressesToCheck()).addresses
  })
onMounted(load)
useLive(['customer'], () => void load(), 500)
const problems = [
  {
    problem: 'missing',
    heading: t('customers.noEmailAddress'),
    help: t('customers.documentsByEmailHaveNobody'),
  },
  { problem: 'malformed', heading: t('customers.cannotBeWrittenTo'), help: t('customers.itIsNotAnEmail') },
  { problem: 'bounced', heading: t('customers.cameBack'), help: t('customers.theLastEmailToIt') },
  {
    problem: 'our own',
    heading: t('customers.ourOwnPeoples'),
    help: t('customers.documentsForTheCustomerCome'),
  },
  {
    problem: 'shared',
    heading: t('customers.sharedBySeveralCustomers'),
    help: t('customers.rightForAParentCompany'),
  },
] as const
const groups = computed(() =>
  problems
    .map((one) => ({ ...one, rows: (found.value ?? []).filter((row) => row.problem === one.problem) }))
    .filter(({ rows }) => rows.length > 0),
)
const replacing = shallowRef<Found>()
const to = ref('')
const { busy, wrong, acting } = useActing()
const replace = () =>
  acting(async () => {
    const { address } = replacing.value!
    await correctAddress({ from: address, to: to.value.trim(), again: [] })
    useToasts().say(t('customers.addressIsNowToEverywhere', { address, to: to.value.trim() }))
    replacing.value = undefined
    await load()
  })
function open(row: Found) {
  to.value = ''
  wrong.value = ''
  replacing.value = row
}
</script>

<template>
  <div class="page">
    <section class="left" :aria-label="t('customers.addressesToCheck')">
      <div class="bar">
        <NuxtLink to="/customers" class="soft">{{ t('common.customers') }}</NuxtLink>
        <h1 class="title">{{ t('customers.addressesToCheck') }}</h1>
      </div>
      <div class="body">
        <div v-if="found && groups.length === 0" class="empty">
          <strong>{{ t('customers.everyAddressLooksRight') }}</strong>{{
            t('customers.missingMalformedReturnedAndShared')
          }}
        </div>
        <section v-for="group in groups" :key="group.problem" :data-test="`problem-${group.problem}`">
          <h2>
            {{ group.heading }} <span class="soft count">{{ group.rows.length }}</span>
          </h2>
          <p class="soft">{{ group.help }}</p>
          <ul>
            <li v-for="row in group.rows" :key="row.address + row.customers[0]?.id">
              <span class="cut" :title="row.address">{{ row.address || t('customers.noAddress') }}</span>
              <span class="cut">
                <template v-for="(one, at) in row.customers.slice(0, 3)" :key="one.id"
                  ><template v-if="at">, </template
                  ><NuxtLink :to="`/customers?search=${one.number}&in=${one.id}`">{{
                    one.name
                  }}</NuxtLink></template
                ><template v-if="row.customers.length > 3">
                  {{
                    t('customers.andOthers', { others: plural(row.customers.length - 3, 'other') })
                  }}</template
                >
              </span>
              <span class="soft cut" :title="row.words">{{ row.words }}</span>
              <VBtn v-if="session.may('clerk') && row.address" height="28" @click="open(row)">{{
                t('customers.replace')
              }}</VBtn>
            </li>
          </ul>
        </section>
      </div>
    </section>
    <Ask
      v-if="replacing"
      :model-value="true"
      :title="t('customers.replaceAddress', { address: replacing.address })"
      :go="t('customers.replaceEverywhere')"
      :busy="busy"
      :disabled="!to.trim()"
      @update:model-value="replacing = undefined"
      @go="replace"
    >
      <FormField v-model="to" :label="t('common.theRightAddress')" type="email" data-test="right-address" />
      <p class="soft">
        {{
          t('customers.atCustomersAndInEvery', { customers: plural(replacing.customers.length, 'customer') })
        }}
      </p>
      <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
    </Ask>
  </div>
</template>

<style scoped>
.title {
  font-size: var(--title);
}
.left {
  flex: 1;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.body {
  flex: 1;
  overflow: auto;
  padding: 12px 16px 24px;
}
h2 {
  margin: 14px 0 0;
}
.count {
  font-weight: 400;
}
p {
  margin: 0 0 4px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 260px minmax(0, 1.2fr) minmax(0, 1fr) 100px;
  gap: 12px;
  align-items: center;
  border-top: 1px solid var(--rule);
  min-height: 36px;
}
@media (max-width: 700px) {
  li {
    grid-template-columns: 1fr;
    gap: 0;
    padding: 6px 0;
  }
}
</style>
