/** Words of people. */
export const people = {
  // people/DevicesDialog.vue
  theOtherBrowser: 'The other browser',
  deviceIsSignedOut: '{device} is signed out.',
  whereYouAreSignedIn: 'Where you are signed in',
  unknownBrowser: 'Unknown browser',
  sinceSinceAtMostUntil: 'since {since}, at most until {until}',
  here: 'here',

  // people/PasswordDialog.vue
  yourPasswordIsChangedEverywhere: 'Your password is changed. Everywhere else you are signed out.',
  changeYourPassword: 'Change your password',
  passwordNow: 'Password now',
  newPassword: 'New password',

  // people/ProveDialog.vue
  enterYourPasswordAgain: 'Enter your password again',
  continue: 'Continue',
  thisCouldLetOthersIn:
    'This could let others in, so Clothespin asks who you are. It asks once in a quarter of an hour.',
  yourPassword: 'Your password',
  codeFromYourPhoneOr: 'Code from your phone, or a recovery code',

  // people/SecondFactorDialog.vue
  keepTheseCodes: 'Keep these codes',
  turnTheSecondFactorOff: 'Turn the second factor off',
  turnOnASecondFactor: 'Turn on a second factor',
  signingInAsksForYour: 'Signing in asks for your password only.',
  iHaveKeptThem: 'I have kept them',
  turnOff: 'Turn off',
  turnOn: 'Turn on',
  eachSignsYouInOnce: 'Each signs you in once when the phone is not at hand. They are not shown again.',
  signingInAsksForA:
    'Signing in asks for a code from your phone. {codesLeft} recovery codes are left; turn it off and on again for new ones.',
  scanThisWithAnApp: 'Scan this with an app for sign-in codes, then enter the code that it shows.',
  orEnterThisKeyBy: 'Or enter this key by hand:',

  // people/StaffDialog.vue
  clerkWritesSendsAndBooks: 'clerk: writes, sends and books',
  supervisorAlsoSetsUp: 'supervisor: also sets up',
  readerOnlyLooks: 'reader: only looks',
  byTheRoleStartPages: 'by the role: {startPages}',
  nameIsSaved: '{name} is saved.',
  inviteSomebody: 'Invite somebody',
  invite: 'Invite',
  theInvitationGoesThereIt: 'The invitation goes there; it is the sign-in, too.',
  role: 'Role',
  onlyTheseBrandsNoneTicked: 'Only these brands (none ticked: all)',

  // people/StaffList.vue
  anInvitationIsOnIts: 'An invitation is on its way to {name}. It is good for seven days.',
  leavingHasNoAccessAny: '{leaving} has no access any more.',
  whoWorksHereAndWhat: 'Who works here, and what each may do.',
  leftLeftAt: 'left {leftAt}',
  invited: 'invited',
  worksHere: 'works here',
  inviteAgain: 'Invite again',
  endAccess: 'End access…',
  endTheAccessOfLeaving: 'End the access of {leaving}?',
  endAccess2: 'End access',
  signInAndAPITokens:
    'Sign-in and API tokens end at once. What {leaving} did stays in the history under the name.',
  passThisOnToCode: 'Pass this on to {code}',
  done: 'Done',
  noEmailCanBeSent: 'No email can be sent yet, so hand over this address. It is good once, for seven days:',
} as const
