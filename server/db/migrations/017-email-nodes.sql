-- Email texts as nodes instead of one line with braces; what was written so is read by server/db/after-migration.ts.

alter table email_text
  alter column subject type jsonb using to_jsonb(subject),
  alter column text type jsonb using to_jsonb(text);
