/** Everything the environment decides. Read once; a missing setting is said by name. */
function required(name: string): string {
  const value = process.env[name]
  if (!value)
    throw new Error(
      `The setting ${name} is missing. bin/demo sets it; see docs/running.md for a house of your own.`,
    )
  return value
}

export const config = {
  get databaseUrl() {
    return required('CLOTHESPIN_DATABASE_URL')
  },
  /** Signs return paths and seals sessions; at least 32 characters. */
  get secret() {
    return required('CLOTHESPIN_SECRET')
  },
  /** The mail server that is used as long as Settings hold no mail account: smtp://host:port; empty for none. */
  get smtpUrl() {
    return process.env.CLOTHESPIN_SMTP_URL ?? ''
  },
  /** Domain of return paths, whose mail reaches our own listener. */
  get returnDomain() {
    return process.env.CLOTHESPIN_RETURN_DOMAIN ?? 'returns.clothespin.example'
  },
  /** Loopback port of our own SMTP listener for delivery reports. */
  get returnPort() {
    return Number(process.env.CLOTHESPIN_RETURN_PORT ?? 0)
  },
  /** Web page of the stand-in mailboxes; empty with a real mail server. */
  get mailboxesUrl() {
    return process.env.CLOTHESPIN_MAILBOXES_URL ?? ''
  },
  /** The files that make a new house and bring an older one to this version. */
  get migrationFolder() {
    return process.env.CLOTHESPIN_MIGRATIONS ?? 'server/db/migrations'
  },
  get fontFolder() {
    return process.env.CLOTHESPIN_FONTS ?? '.build/fonts'
  },
  get renderThread() {
    return process.env.CLOTHESPIN_RENDER_THREAD ?? '.build/js/render-thread.mjs'
  },
  /** File outside the database that holds the installation's id; empty where copies need no guard (tests). */
  get installationFile() {
    return process.env.CLOTHESPIN_INSTALLATION_FILE ?? ''
  },
  /** Said explicitly where mail goes to a real mail server, not to the stand-in on this computer. */
  get realMail() {
    return process.env.CLOTHESPIN_REAL_MAIL === 'yes'
  },
  /** "loopback" allows a password without TLS to a mail server on this computer, and to nobody else. */
  get smtpPasswordWithoutTls() {
    return process.env.CLOTHESPIN_SMTP_PASSWORD_WITHOUT_TLS ?? ''
  },
  /**
   * Addresses of proxies in front of us, comma-separated, with or without a prefix length: only what these
   * say of the caller is believed.
   */
  get trustedProxies() {
    return (process.env.CLOTHESPIN_TRUSTED_PROXIES ?? '')
      .split(',')
      .map((one) => one.trim())
      .filter(Boolean)
  },
  /** Times the usual number of calls a minute; for a house with very many desks behind one sign-in. */
  rateFactor: Number(process.env.CLOTHESPIN_RATE_FACTOR ?? 1),
  /** Seconds a claimed dispatch belongs to its worker; longer than every socket time limit together. */
  leaseSeconds: Number(process.env.CLOTHESPIN_LEASE_SECONDS ?? 90),
  /** Milliseconds a mail server may be silent. */
  socketTimeout: Number(process.env.CLOTHESPIN_SOCKET_TIMEOUT ?? 20_000),
  /** Seconds a mail server may take to answer the final dot (RFC 5321, section 4.5.3.2.6: ten minutes). */
  finalAnswerSeconds: Number(process.env.CLOTHESPIN_FINAL_ANSWER_SECONDS ?? 600),
  /** Milliseconds a carrier may be silent. */
  carrierTimeout: Number(process.env.CLOTHESPIN_CARRIER_TIMEOUT ?? 20_000),
  /** Seconds a label that is being booked belongs to its worker; longer than a carrier may be silent. */
  labelLeaseSeconds: Number(process.env.CLOTHESPIN_LABEL_LEASE_SECONDS ?? 60),
  /** Seconds after a broken line until a carrier is asked what became of a label, and between two such questions. */
  get labelAskSeconds() {
    return Number(process.env.CLOTHESPIN_LABEL_ASK_SECONDS ?? 30)
  },
  sweepSeconds: Number(process.env.CLOTHESPIN_SWEEP_SECONDS ?? 15),
  concurrency: Number(process.env.CLOTHESPIN_CONCURRENCY ?? 6),
}
