import { t } from '../words'

/** What each part of Settings is called, by the name that addresses have for it. */
export const partNames: Readonly<Record<string, string>> = {
  Guide: t('company.partGuide'),
  General: t('company.partGeneral'),
  Documents: t('company.partDocuments'),
  Orders: t('company.partOrders'),
  Customers: t('company.partCustomers'),
  Shipping: t('company.partShipping'),
  'Standing texts': t('company.partStandingTexts'),
  Variants: t('company.partVariants'),
  Enclosures: t('company.partEnclosures'),
  'Own fields': t('company.partOwnFields'),
  Tax: t('company.partTax'),
  Periods: t('company.partPeriods'),
  'Mail accounts': t('company.partMailAccounts'),
  People: t('company.partPeople'),
  Identity: t('company.partIdentity'),
  Branches: t('company.partBranches'),
  Design: t('company.partDesign'),
  Numbers: t('company.partNumbers'),
  'Email text': t('company.partEmailText'),
  Senders: t('company.partSenders'),
}
