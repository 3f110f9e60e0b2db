<script setup lang="ts">
import { t } from '../../words'
import OwnFieldDialog from './OwnFieldDialog.vue'
import { kindWords } from './words'
import { useSession } from '../../stores/session'
import { attempt } from '../../composables/api'
import { useLive } from '../../composables/useLive'
import { plural } from '../../composables/format'
import { fetchOwnFields } from '../../calls/own-fields'
import { fieldSubjects, type FieldSubject } from '../../../core/fields/own-fields'
import type { OwnFieldView } from '../../contract'

/** Fields of the house's own, by what has them. */
const session = useSession()
const may = computed(() => session.may('supervisor'))
const fields = shallowRef<OwnFieldView[]>()
const load = () =>
  attempt(async () => {
    fields.value = (await fetchOwnFields()).fields
  })
onMounted(load)
useLive(['house'], () => void load())
const headings: Record<FieldSubject, [heading: string, example: string]> = {
  order: [t('ownFields.ofOrders'), t('ownFields.forExampleDeliveryWindowRoutines')],
  line: [t('ownFields.orderLines2'), t('ownFields.forExampleEngravingWrittenAt')],
  item: [t('common.items'), t('ownFields.forExampleWoodWrittenOnce')],
  customer: [t('common.customers'), t('ownFields.forExampleHives')],
}
const editing = shallowRef<OwnFieldView | FieldSubject>()
async function kept() {
  await load()
  await session.load()
}
</script>

<template>
  <div class="body">
    <p class="soft">{{ t('ownFields.forWhatYourHouseNeeds') }}</p>
    <section v-for="of in fieldSubjects" :key="of">
      <h2>
        {{ headings[of][0] }}
        <VBtn v-if="may" height="28" :data-test="`add-field-${of}`" @click="editing = of">{{
          t('ownFields.addField')
        }}</VBtn>
      </h2>
      <ul>
        <li v-for="field in fields?.filter((one) => one.of === of)" :key="field.id">
          <strong>{{ field.name }}</strong>
          <span>{{
            field.kind === 'choice'
              ? t('ownFields.oneOfField', { field: field.choices.join(', ') })
              : kindWords[field.kind]
          }}</span>
          <span class="soft">{{
            field.printed ? t('ownFields.printedOnDocuments2') : t('ownFields.notPrinted')
          }}</span>
          <span class="soft">{{ plural(field.filled, 'is filled') }}</span>
          <VBtn v-if="may" height="28" :data-test="`field-${field.name}`" @click="editing = field">{{
            t('common.open')
          }}</VBtn>
        </li>
        <li v-if="fields && !fields.some((one) => one.of === of)" class="soft none">
          {{ headings[of][1] }}
        </li>
      </ul>
    </section>
    <OwnFieldDialog
      v-if="editing"
      :field="typeof editing === 'string' ? undefined : editing"
      :of="typeof editing === 'string' ? editing : editing.of"
      @leave="editing = undefined"
      @kept="kept"
    />
  </div>
</template>

<style scoped>
.body {
  flex: 1;
  overflow: auto;
  padding: 14px 16px;
  max-width: 900px;
}
p {
  margin: 0;
}
h2 {
  display: flex;
  align-items: center;
  justify-content: space-between;
  margin: 18px 0 4px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr) 150px 100px 70px;
  gap: 12px;
  align-items: center;
  border-top: 1px solid var(--rule);
  min-height: 36px;
}
.none {
  display: flex;
}
</style>
