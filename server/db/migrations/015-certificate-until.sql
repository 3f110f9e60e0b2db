-- Until when the certificate of a mail server holds, as it was seen at the last connection: its end is said before.

alter table mail_account add column certificate_until timestamptz;
