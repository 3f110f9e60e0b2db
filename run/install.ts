import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

/** Writes what systemd and a proxy need to run this house, with comments. @returns the files */
export function writeUnits(folder: string, { home, port }: { home: string; port: number }): string[] {
  mkdirSync(folder, { recursive: true })
  const files: Record<string, string> = {
    'clothespin.service': `# Copy to /etc/systemd/system, then: systemctl enable --now clothespin
[Unit]
Description=Clothespin
After=network-online.target
Wants=network-online.target

[Service]
WorkingDirectory=${process.cwd()}
Environment=CLOTHESPIN_HOME=${home}
ExecStart=${process.cwd()}/bin/serve
Restart=always
KillSignal=SIGTERM
TimeoutStopSec=120

[Install]
WantedBy=multi-user.target
`,
    'clothespin-backup.service': `# Once a night, by clothespin-backup.timer. Keep the files elsewhere, too.
[Unit]
Description=Backup of Clothespin

[Service]
Type=oneshot
WorkingDirectory=${process.cwd()}
Environment=CLOTHESPIN_HOME=${home}
ExecStart=${process.cwd()}/bin/backup
`,
    'clothespin-backup.timer': `[Unit]
Description=Backup of Clothespin every night

[Timer]
OnCalendar=*-*-* 02:30:00
Persistent=true

[Install]
WantedBy=timers.target
`,
    'nginx.conf': `# A site of nginx: it ends TLS, and hands on who called and how.
server {
  listen 443 ssl;
  server_name clothespin.house.example;
  ssl_certificate /etc/ssl/house.pem;
  ssl_certificate_key /etc/ssl/private/house.key;
  client_max_body_size 60m;
  location / {
    proxy_pass http://127.0.0.1:${port};
    proxy_set_header Host $host;
    proxy_set_header X-Forwarded-Host $host;
    proxy_set_header X-Forwarded-Proto https;
    proxy_set_header X-Forwarded-For $proxy_add_x_forwarded_for;
    # what changes is streamed to the screens
    proxy_buffering off;
    proxy_read_timeout 1h;
  }
}
`,
  }
  return Object.entries(files).map(([name, text]) => {
    const file = join(folder, name)
    writeFileSync(file, text)
    return file
  })
}
