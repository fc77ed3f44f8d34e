/*
 * Makes an authority and a certificate for the names and addresses of this machine: `npm run certificate -- [--out FOLDER] [NAME …]`. The
 * authority is made once and kept, so that a phone trusts it once; its key never leaves the folder.
 */
import { webcrypto } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { hostname, networkInterfaces } from 'node:os';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { say, stop } from './machine.mjs';

const ALGORITHM = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' };
const DAY = 86_400_000;
/** The longest that phones take a certificate of a server, days; and an authority. */
const SERVER_DAYS = 397;
const AUTHORITY_DAYS = 3650;

const pem = (label, buffer) =>
  `-----BEGIN ${label}-----\n${Buffer.from(buffer)
    .toString('base64')
    .replace(/(.{64})(?!$)/g, '$1\n')}\n-----END ${label}-----\n`;
const bare = (text) => Buffer.from(text.replace(/-----[^-]+-----|\s/g, ''), 'base64');

/** What this machine is called and where it is reached, itself left out of nothing. */
export function namesOf(more) {
  const addresses = Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    .filter((a) => !a.address.startsWith('fe80'))
    .map((a) => a.address);
  return [...new Set(['localhost', hostname(), ...addresses, ...more])];
}

const serial = () =>
  Buffer.from(webcrypto.getRandomValues(new Uint8Array(12)))
    .toString('hex')
    .replace(/^./, '1');
const keysOf = () => webcrypto.subtle.generateKey(ALGORITHM, true, ['sign', 'verify']);

async function keepKey(file, { privateKey }) {
  writeFileSync(file, pem('PRIVATE KEY', await webcrypto.subtle.exportKey('pkcs8', privateKey)), { mode: 0o600 });
}

/** The authority of a folder, made where there is none. */
async function authorityIn(x509, folder) {
  const [certificate, key] = ['authority.crt', 'authority.key'].map((f) => path.join(folder, f));
  if (existsSync(certificate) && existsSync(key))
    return {
      certificate: new x509.X509Certificate(readFileSync(certificate, 'utf8')),
      key: await webcrypto.subtle.importKey('pkcs8', bare(readFileSync(key, 'utf8')), ALGORITHM, true, ['sign']),
    };
  const keys = await keysOf();
  const made = await x509.X509CertificateGenerator.createSelfSigned({
    serialNumber: serial(),
    name: `CN=Pit Bell of ${hostname().replace(/[^\w.-]/g, '')}`,
    notBefore: new Date(Date.now() - DAY),
    notAfter: new Date(Date.now() + AUTHORITY_DAYS * DAY),
    signingAlgorithm: ALGORITHM,
    keys,
    extensions: [
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign, true),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
    ],
  });
  writeFileSync(certificate, `${made.toString('pem')}\n`);
  await keepKey(key, keys);
  return { certificate: made, key: keys.privateKey };
}

/** Makes a certificate for some names, signed by the authority of the folder. @returns where both files are */
export async function certificateIn(folder, names) {
  // The library’s parts find one another by what this stands for.
  await import('reflect-metadata');
  const x509 = await import('@peculiar/x509');
  x509.cryptoProvider.set(webcrypto);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const authority = await authorityIn(x509, folder);
  const keys = await keysOf();
  const made = await x509.X509CertificateGenerator.create({
    serialNumber: serial(),
    subject: `CN=${names[0]}`,
    issuer: authority.certificate.subject,
    notBefore: new Date(Date.now() - DAY),
    notAfter: new Date(Date.now() + (SERVER_DAYS - 1) * DAY),
    signingAlgorithm: ALGORITHM,
    publicKey: keys.publicKey,
    signingKey: authority.key,
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
      new x509.ExtendedKeyUsageExtension(['1.3.6.1.5.5.7.3.1']),
      new x509.SubjectAlternativeNameExtension(names.map((n) => ({ type: isIP(n) ? 'ip' : 'dns', value: n }))),
      await x509.AuthorityKeyIdentifierExtension.create(authority.certificate.publicKey),
    ],
  });
  const [cert, key] = ['server.crt', 'server.key'].map((f) => path.join(folder, f));
  // The authority goes along, so that what was told to trust it finds the way.
  writeFileSync(cert, `${made.toString('pem')}\n${authority.certificate.toString('pem')}\n`);
  await keepKey(key, keys);
  return { cert, key, authority: path.join(folder, 'authority.crt') };
}

async function main(args) {
  let values, positionals;
  try {
    ({ values, positionals } = parseArgs({
      args,
      allowPositionals: true,
      options: { out: { type: 'string', default: path.join(process.env.PITBELL_DATA ?? 'data', 'tls') } },
    }));
  } catch (error) {
    stop(`${error.message}. There is --out; all else are names of this machine.`);
  }
  const names = namesOf(positionals);
  const { cert, key, authority } = await certificateIn(path.resolve(values.out), names);
  say(`Made for ${names.join(', ')}.

Start:  npm start -- --host 0.0.0.0 --cert ${cert} --key ${key}
A phone trusts it so:
  1. Bring ${authority} to the phone (a cable, a message to yourself); never the .key files.
  2. Open it there. On some phones: settings, security, “install a certificate”, “CA certificate”. On others: settings, “profile downloaded”, install.
  3. Where the phone asks, switch full trust for it on (settings, general, about, certificate trust).
  4. Open https:// with the name of this machine and the port: no warning any more. In ${SERVER_DAYS - 1} days run this again; the phone stays as it is.`);
}

if (process.argv[1]?.endsWith('certificate.mjs')) await main(process.argv.slice(2));
