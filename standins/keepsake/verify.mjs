// What holds of a credential, found with libraries that others wrote. Contexts ship; of outside
// nothing is asked but the list of what was revoked, where the wallet trusts its address.
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { gunzipSync } from 'node:zlib';
import { DataIntegrityProof } from '@digitalbazaar/data-integrity';
import { cryptosuite } from '@digitalbazaar/eddsa-rdfc-2022-cryptosuite';
import { compactVerify, importJWK } from 'jose';
import jsigs from 'jsonld-signatures';

const contexts = fileURLToPath(
  new URL('../../formats/src/main/resources/yendrik/formats/credential/', import.meta.url),
);
const shipped = {
  'https://www.w3.org/ns/credentials/v2': 'credentials-v2.json',
  'https://purl.imsglobal.org/spec/ob/v3p0/context-3.0.3.json': 'open-badges-3.0.3.json',
  'https://w3id.org/security/data-integrity/v2': 'data-integrity-v2.json',
  'https://w3id.org/security/multikey/v1': 'multikey-v1.json',
};

/** A name that is a key says all there is to know of it. */
function known(url) {
  const [did, part] = url.split('#');
  const key = did.slice('did:key:'.length);
  const method = {
    '@context': 'https://w3id.org/security/multikey/v1',
    id: `${did}#${key}`,
    type: 'Multikey',
    controller: did,
    publicKeyMultibase: key,
  };
  return part
    ? method
    : { '@context': 'https://w3id.org/security/multikey/v1', id: did, assertionMethod: [method] };
}

async function documentLoader(url) {
  if (shipped[url]) {
    const document = JSON.parse(readFileSync(contexts + shipped[url], 'utf8'));
    return { documentUrl: url, document };
  }
  if (url.startsWith('did:key:')) return { documentUrl: url, document: known(url) };
  throw new Error(`not shipped: ${url}`);
}

async function proved(credential) {
  const method = `${credential.proof?.verificationMethod ?? ''}`;
  const issuer = credential.issuer?.id ?? credential.issuer;
  if (!method.startsWith('did:key:') || method.split('#')[0] !== issuer) return false;
  const result = await jsigs.verify(credential, {
    suite: new DataIntegrityProof({ cryptosuite }),
    purpose: new jsigs.purposes.AssertionProofPurpose({ controller: known(issuer) }),
    documentLoader,
  });
  return result.verified;
}

/** A credential in either form, with how it was secured; nothing for what is none. */
export function read(text) {
  const trimmed = text.trim();
  try {
    if (trimmed.startsWith('{')) {
      const credential = JSON.parse(trimmed);
      return credential.type?.includes?.('OpenBadgeCredential') ? { credential, token: null } : null;
    }
    const claims = JSON.parse(Buffer.from(trimmed.split('.')[1], 'base64url').toString());
    return claims.type?.includes?.('OpenBadgeCredential')
      ? { credential: claims, token: trimmed }
      : null;
  } catch {
    return null;
  }
}

async function signed(token, claims) {
  const issuer = `${claims.iss ?? claims.issuer?.id}`;
  if (!issuer.startsWith('did:jwk:')) return false;
  const jwk = JSON.parse(Buffer.from(issuer.slice('did:jwk:'.length), 'base64url').toString());
  try {
    await compactVerify(token, await importJWK(jwk, 'RS256'), { algorithms: ['RS256'] });
    return true;
  } catch {
    return false;
  }
}

/** Whether it was revoked; nothing where that cannot be told. */
async function revoked(status, trusts) {
  if (status?.type !== 'BitstringStatusListEntry') return null;
  const address = `${status.statusListCredential}`;
  if (!trusts.some((trusted) => address.startsWith(`${trusted}/`))) return null;
  try {
    const answer = await fetch(address, { redirect: 'error', signal: AbortSignal.timeout(5000) });
    const list = await answer.json();
    if (!answer.ok || !(await proved(list))) return null;
    const coded = list.credentialSubject.encodedList.slice(1);
    const bits = gunzipSync(Buffer.from(coded, 'base64url'), { maxOutputLength: 1 << 20 });
    const at = Number(status.statusListIndex);
    return (bits[at >> 3] & (0x80 >> (at & 7))) !== 0;
  } catch {
    return null;
  }
}

/** What holds now: signature, time, and whether it was revoked. */
export async function verify({ credential, token }, trusts) {
  const signature = token ? await signed(token, credential) : await proved(credential);
  const ends = credential.validUntil ?? null;
  return {
    signature,
    ended: ends !== null && Date.parse(ends) <= Date.now(),
    revoked: signature ? await revoked(credential.credentialStatus, trusts) : null,
  };
}
