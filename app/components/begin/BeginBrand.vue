<script setup lang="ts">
import { t } from '../../words'
import BeginForm from './BeginForm.vue'
import BrandFields from './BrandFields.vue'
import { useSession } from '../../stores/session'
import { useWrongs } from '../../composables/useWrongs'
import { addBrand } from '../../calls/begin'
import { newBrandForm, writtenBrand } from './brand-form'

/** The first brand: under which name the company sells, with address, bank account, sender and logo. */
const session = useSession()
const company = session.house!.company
const form = ref(newBrandForm(company.name, company.country, session.user!.email))
const { busy, wrong, wrongs, acting } = useWrongs([...Object.keys(form.value), 'addressLines', 'banks'])
const go = () =>
  acting(async () => {
    await addBrand(writtenBrand(form.value))
    session.welcome = true
    await session.load()
  })
</script>

<template>
  <BeginForm
    :title="t('begin.howYouTrade')"
    :says="t('begin.underThisNameYourDocuments')"
    :go="t('begin.saveAndGoOn')"
    :busy="busy"
    :wrong="wrong"
    @go="go"
  >
    <BrandFields v-model="form" :wrongs="wrongs" />
  </BeginForm>
</template>
