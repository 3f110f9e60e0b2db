<script setup lang="ts">
import { t } from '../../words'
import CheckField from '../fields/CheckField.vue'
import DateField from '../fields/DateField.vue'
import FormField from '../fields/FormField.vue'
import PictureDialog from '../emailtexts/PictureDialog.vue'
import { useSession } from '../../stores/session'
import { emailPictureUrl } from '../../calls/email-texts'
import { isSafeLink } from '../../../core/emailtexts/nodes'
import type { EmailBanner, EmailPicture } from '../../../core/emailtexts/pictures'

/** The picture above the text of a brand's emails, with where it leads and its season. */
defineProps<{ disabled: boolean }>()
const model = defineModel<EmailBanner | null | undefined>({ required: true })
const choosing = ref(false)
/** Whether links in emails lead here. */
const leads = useSession().house!.company.linksLead
const banner = computed(() => model.value ?? null)

const take = (picture: EmailPicture) => {
  const { href = '', from = null, until = null, counted = false } = model.value ?? {}
  model.value = { ...picture, href, from, until, counted }
}
const change = (part: Partial<EmailBanner>) => {
  model.value = { ...model.value!, ...part }
}
const href = computed({
  get: () => banner.value?.href ?? '',
  set: (written: string) => change({ href: written.trim() }),
})
const counted = computed({
  get: () => banner.value?.counted ?? false,
  set: (is: boolean) => change({ counted: is }),
})
const from = computed({
  get: () => banner.value?.from ?? null,
  set: (day: string | null) => change({ from: day || null }),
})
const until = computed({
  get: () => banner.value?.until ?? null,
  set: (day: string | null) => change({ until: day || null }),
})
</script>

<template>
  <div class="banner">
    <p class="label">{{ t('brands.banner') }}</p>
    <template v-if="banner">
      <img :src="emailPictureUrl(banner.sha256)" :alt="banner.alt" />
      <p class="acts">
        <span class="soft">{{ banner.alt }}</span>
        <template v-if="!disabled">
          <button type="button" class="word" @click="choosing = true">{{ t('brands.changeBanner') }}</button>
          <button type="button" class="word" data-test="drop-banner" @click="model = null">
            {{ t('brands.dropBanner') }}
          </button>
        </template>
      </p>
      <div class="fields">
        <FormField
          v-model="href"
          :label="t('brands.bannerLeadsTo')"
          placeholder="https://house.example/autumn"
          :wrong="!href || isSafeLink(href) ? '' : t('emailtexts.noSuchLink')"
          :disabled="disabled"
          data-test="banner-href"
        />
        <div>
          <DateField
            v-model="from"
            :label="t('common.from')"
            :empty="t('brands.fromNowOn')"
            :disabled="disabled"
          />
        </div>
        <div>
          <DateField
            v-model="until"
            :label="t('brands.bannerUntil')"
            :empty="t('brands.withoutEnd')"
            :disabled="disabled"
            data-test="banner-until"
          />
        </div>
      </div>
      <CheckField v-model="counted" :disabled="disabled || !href" data-test="banner-counted">{{
        t('brands.bannerIsCounted')
      }}</CheckField>
      <p v-if="counted && !leads" class="soft">{{ t('brands.bannerCountsLater') }}</p>
    </template>
    <p v-else class="soft">
      {{ t('brands.noBanner') }}
      <button v-if="!disabled" type="button" class="word" data-test="add-banner" @click="choosing = true">
        {{ t('brands.chooseBanner') }}
      </button>
    </p>
    <PictureDialog v-if="choosing" v-model="choosing" :picture="banner" @use="take" />
  </div>
</template>

<style scoped>
.banner {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
p {
  margin: 0;
}
img {
  max-width: 100%;
  max-height: 90px;
  align-self: start;
  border: 1px solid var(--rule);
}
.label {
  font-size: var(--small);
  color: var(--soft-ink);
}
.acts {
  display: flex;
  gap: 12px;
}
.fields {
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 0 14px;
}
</style>
