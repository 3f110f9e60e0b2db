/** Words of variants: email texts and designs of their own for some customers. */
export const variants = {
  // variants/VariantList.vue
  intro:
    'A variant has email texts and designs of its own for some customers, like schools or the trade. Write them under a brand’s Email text and Design; say who gets them under How documents go, of a customer or group.',
  addVariant: 'Add variant',
  noneYet: 'No variants yet',
  whatFor:
    'Add one where some customers are to read other words, or see another design, than all the others.',
  everybody: 'everybody',
  groupsWords: 'groups: {groups}',
  nobody: 'nobody yet',
  texts: '{texts} and {designs} of its own',
  retired: 'retired',

  // variants/VariantDialog.vue
  called: 'Called',
  example: 'Schools',
  exampleHint: 'Only you read this, not your customers.',
  isSaved: '“{name}” is saved.',
  retireThis: 'Retire this variant…',
  bringBack: 'Bring it back into use',
  retireTitle: 'Retire “{name}”?',
  retire: 'Retire',
  retireWords: 'Who has it gets the brand’s own text and design from now on: {who}. What it says is kept.',
  isRetired: '“{name}” is retired.',
  isBack: '“{name}” is in use again.',

  // variants/VariantPick.vue
  customers: 'Customers',
  forWhom: 'For {whom}',
  allCustomers: 'all customers',
  ofVariant: 'those of “{variant}”',
  addOne: 'a variant for some customers…',
  hasNoText: 'They get the brand’s own text. What you save here becomes theirs.',
  hasNoDesign: 'They get the brand’s own design. What you save here becomes theirs.',
  hasOwn: 'They have their own.',
  brandChanged: 'The brand’s own was changed on {day}, after theirs.',
  asTheBrand: 'Use the brand’s own',
  theyGetTheBrands: 'Customers of “{variant}” get the brand’s own again. Theirs is kept among the versions.',

  // choices of a text or a design
  theBrandsOwn: 'the brand’s own',
} as const
