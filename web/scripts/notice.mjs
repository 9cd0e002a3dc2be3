// NOTICE.md out of what the two builds say they ship: dist/licences.json of Vite, licences.txt of Maven.
import { readFileSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'

const here = (path) => fileURLToPath(new URL(path, import.meta.url))
const shipped = JSON.parse(readFileSync(here('../dist/licences.json'), 'utf8'))

/** What keeps the app there without a network is written by another tool, of which the bundler keeps no account. */
const { version, license } = JSON.parse(
  readFileSync(here('../node_modules/workbox-core/package.json'), 'utf8'),
)
const packages = [...shipped, { name: 'workbox', version, identifier: license }]
const web = packages
  .sort((a, b) => a.name.localeCompare(b.name, 'en'))
  .map((p) => `| ${p.name} | ${p.version} | ${p.identifier ?? p.license} |`)

const java = readFileSync(here('../../server/target/licences.txt'), 'utf8')
  .split('\n')
  .map((line) => line.match(/^\s*((?:\([^)]*\) ?)+)(.*) \(([^:()]+):([^:()]+):([^ ]+) - .*\)$/))
  .filter(Boolean)
  // A starter holds nothing: it only names others.
  .filter(
    ([, , , group, artifact]) =>
      !(group === 'org.springframework.boot' && artifact.startsWith('spring-boot-starter')),
  )
  .map(([, licences, , group, artifact, version]) => ({
    name: `${group}:${artifact}`,
    version,
    licences: [...licences.matchAll(/\(([^)]*)\)/g)].map((m) => m[1]).join(' or '),
  }))
  .sort((a, b) => a.name.localeCompare(b.name, 'en'))
  .map((p) => `| ${p.name} | ${p.version} | ${p.licences} |`)

writeFileSync(
  here('../../NOTICE.md'),
  `# What ships with Palm Tally

Written by \`./palm licences\`; a test holds it against what is shipped. The licence of Palm Tally itself is its owner's to choose: see
[CONTRIBUTING.md](CONTRIBUTING.md). The texts of the licences of the web app's parts ship with it, at \`/licences.json\`; those of the server's are in its
jars. Where a part may be used under one of several licences, the first that is named is used. Spring Session's description names another licence than
its jars carry, which is Apache-2.0. The rules as the page has them are compiled by TeaVM and carry parts of its class library and of Hipparchus, both
Apache-2.0.

## In the server

| part | version | licence |
|---|---|---|
${java.join('\n')}

## In the web app

| part | version | licence |
|---|---|---|
${web.join('\n')}

## Beside it, installed from Debian's packages and not shipped

OpenJDK (GPL-2.0 with Classpath Exception), Maven (Apache-2.0), PostgreSQL (PostgreSQL Licence), Node.js (MIT); for the tests Chromium (BSD-3-Clause and
others), Poppler (GPL-2.0), NSS (MPL-2.0), libfaketime (GPL-2.0).
`,
)
