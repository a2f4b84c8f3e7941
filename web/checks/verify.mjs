// Checks credentials with libraries that others wrote, without any network:
// node verify.mjs <credential.json> <contexts folder> <token.txt>
import { readFileSync } from 'node:fs';
import { DataIntegrityProof } from '@digitalbazaar/data-integrity';
import { cryptosuite } from '@digitalbazaar/eddsa-rdfc-2022-cryptosuite';
import { compactVerify, importJWK } from 'jose';
import jsigs from 'jsonld-signatures';

const [, , credentialFile, contexts, tokenFile] = process.argv;
const shipped = {
  'https://www.w3.org/ns/credentials/v2': 'credentials-v2.json',
  'https://purl.imsglobal.org/spec/ob/v3p0/context-3.0.3.json': 'open-badges-3.0.3.json',
  'https://w3id.org/security/data-integrity/v2': 'data-integrity-v2.json',
  'https://w3id.org/security/multikey/v1': 'multikey-v1.json',
};
const json = (file) => JSON.parse(readFileSync(file, 'utf8'));

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
  return part ? method : { '@context': 'https://w3id.org/security/multikey/v1', id: did, assertionMethod: [method] };
}

async function documentLoader(url) {
  if (shipped[url]) return { documentUrl: url, document: json(`${contexts}/${shipped[url]}`) };
  if (url.startsWith('did:key:')) return { documentUrl: url, document: known(url) };
  throw new Error(`not shipped: ${url}`);
}

const credential = json(credentialFile);
const proved = await jsigs.verify(credential, {
  suite: new DataIntegrityProof({ cryptosuite }),
  purpose: new jsigs.purposes.AssertionProofPurpose({
    controller: known(credential.proof.verificationMethod.split('#')[0]),
  }),
  documentLoader,
});

let token = false;
if (tokenFile) {
  const jwt = readFileSync(tokenFile, 'utf8');
  const claims = JSON.parse(Buffer.from(jwt.split('.')[1], 'base64url').toString());
  const jwk = JSON.parse(
    Buffer.from(claims.iss.slice('did:jwk:'.length), 'base64url').toString(),
  );
  try {
    await compactVerify(jwt, await importJWK(jwk, 'RS256'));
    token = true;
  } catch {
    token = false;
  }
}
console.log(JSON.stringify({ proved: proved.verified, token }));
if (!proved.verified) console.error(JSON.stringify(proved.error, null, 1));
