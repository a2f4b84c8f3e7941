// keepsake, a simulated wallet: it takes badges by file and by the API of Open Badges 3.0 with
// OAuth 2, and checks them with libraries that others wrote.
// node server.mjs <port> <file to keep in, or -> [trusted addresses of issuers ...]
import { randomBytes, scryptSync, timingSafeEqual } from 'node:crypto';
import { createServer } from 'node:http';
import { inflateSync } from 'node:zlib';
import Provider from 'oidc-provider';
import { credentialCard, page, safe, signIn, upload } from './pages.mjs';
import { adapter, Store } from './store.mjs';
import { read, verify } from './verify.mjs';

const [, , portArgument, file, ...trusts] = process.argv;
const port = Number(portArgument);
const home = `http://127.0.0.1:${port}`;
const store = new Store(file === '-' ? null : file);
const API = '/ims/ob/v3p0';
const SCOPE = 'https://purl.imsglobal.org/spec/ob/v3p0/scope/';
const UPSERT = `${SCOPE}credential.upsert`;
const READ = `${SCOPE}credential.readonly`;
const LARGEST = 1_000_000;

const provider = new Provider(home, {
  adapter: adapter(store),
  cookies: { keys: [randomBytes(16).toString('hex')] },
  scopes: ['offline_access', UPSERT, READ],
  claims: {},
  features: {
    devInteractions: { enabled: false },
    registration: { enabled: true },
    revocation: { enabled: true },
  },
  pkce: { required: () => true },
  responseTypes: ['code'],
  ttl: {
    AccessToken: 3600,
    AuthorizationCode: 120,
    Grant: 90 * 86400,
    Interaction: 900,
    RefreshToken: 90 * 86400,
    Session: 86400,
  },
  issueRefreshToken: async (_, client) => client.grantTypeAllowed('refresh_token'),
  findAccount: (_, id) => ({ accountId: id, claims: async () => ({ sub: id }) }),
  interactions: { url: (_, { uid }) => `/interaction/${uid}` },
  routes: { authorization: '/authorize', registration: '/register', token: '/token' },
});
provider.on('server_error', (_, error) => console.error(error));

// --- people ---------------------------------------------------------------------------------------
const sessions = new Map();

function known(name, phrase) {
  const clean = `${name}`.trim();
  if (!clean || `${phrase}`.length < 4) return null;
  const who = (store.people[clean] ??= { credentials: {} });
  if (!who.secret) {
    const salt = randomBytes(16).toString('hex');
    who.secret = `${salt}:${scryptSync(phrase, salt, 32).toString('hex')}`;
    store.save();
    return clean;
  }
  const [salt, hash] = who.secret.split(':');
  const same = timingSafeEqual(Buffer.from(hash, 'hex'), scryptSync(phrase, salt, 32));
  return same ? clean : null;
}

function person(request) {
  const cookie = /(?:^|; )keepsake=([0-9a-f]+)/.exec(request.headers.cookie ?? '');
  return cookie ? sessions.get(cookie[1]) : undefined;
}

function begin(response, name) {
  const id = randomBytes(24).toString('hex');
  sessions.set(id, name);
  response.setHeader('Set-Cookie', `keepsake=${id}; HttpOnly; SameSite=Lax; Path=/`);
}

// --- what arrives ---------------------------------------------------------------------------------
async function body(request) {
  const pieces = [];
  let length = 0;
  for await (const piece of request) {
    length += piece.length;
    if (length > LARGEST) throw new TooLarge();
    pieces.push(piece);
  }
  return Buffer.concat(pieces);
}

class TooLarge extends Error {}

const fields = async (request) => new URLSearchParams((await body(request)).toString());

async function sentFile(request) {
  const form = await new Response(await body(request), {
    headers: { 'Content-Type': request.headers['content-type'] ?? '' },
  }).formData();
  return Buffer.from(await form.get('file').arrayBuffer());
}

/** The credential in a file: as it is, or out of a picture. */
function within(content) {
  if (content.subarray(1, 4).toString() !== 'PNG') {
    const text = content.toString('utf8');
    const baked = /<openbadges:credential[^>]*>\s*<!\[CDATA\[([\s\S]*?)\]\]>/.exec(text);
    return baked ? baked[1] : text;
  }
  for (let at = 8; at + 8 < content.length; ) {
    const length = content.readUInt32BE(at);
    const chunk = content.subarray(at + 8, at + 8 + length);
    if (content.toString('latin1', at + 4, at + 8) === 'iTXt') {
      const key = chunk.indexOf(0);
      if (chunk.toString('latin1', 0, key) === 'openbadgecredential') {
        const language = chunk.indexOf(0, key + 3);
        const text = chunk.subarray(chunk.indexOf(0, language + 1) + 1);
        return (chunk[key + 1] ? inflateSync(text, { maxOutputLength: LARGEST }) : text).toString('utf8');
      }
    }
    at += 12 + length;
  }
  return '';
}

// --- answers --------------------------------------------------------------------------------------
function html(response, text, status = 200) {
  response.writeHead(status, {
    'Content-Type': 'text/html;charset=UTF-8',
    'Content-Security-Policy': "default-src 'none'; img-src data:; style-src 'unsafe-inline'",
  });
  response.end(text);
}

function json(response, status, value) {
  response.writeHead(status, { 'Content-Type': 'application/json' });
  response.end(JSON.stringify(value));
}

/** What went wrong, as the standard words it. */
const failed = (response, status, code, description) =>
  json(response, status, {
    imsx_codeMajor: 'failure',
    imsx_severity: 'error',
    imsx_description: description,
    imsx_CodeMinor: {
      imsx_codeMinorField: [
        { imsx_codeMinorFieldName: 'TargetEndSystem', imsx_codeMinorFieldValue: code },
      ],
    },
  });

const back = (response, to) => response.writeHead(303, { Location: to }).end();

// --- the API --------------------------------------------------------------------------------------
async function holder(request, scope) {
  const bearer = /^Bearer (\S+)$/.exec(request.headers.authorization ?? '');
  const token = bearer && (await provider.AccessToken.find(bearer[1]));
  if (!token) return { status: 401 };
  return token.scope?.split(' ').includes(scope)
    ? { status: 200, person: token.accountId }
    : { status: 403 };
}

async function credentials(request, response) {
  const scope = request.method === 'POST' ? UPSERT : READ;
  const who = await holder(request, scope);
  if (who.status === 401) return failed(response, 401, 'unauthorisedrequest', 'No token, or one that ended.');
  if (who.status === 403) return failed(response, 403, 'forbidden', 'The token does not allow this.');
  if (request.method === 'GET') {
    const all = store.of(who.person).map((c) => read(c.text));
    return json(response, 200, {
      credential: all.filter((c) => !c.token).map((c) => c.credential),
      compactJwsString: all.filter((c) => c.token).map((c) => c.token),
    });
  }
  const text = (await body(request)).toString('utf8');
  const given = read(text);
  if (!given) return failed(response, 400, 'invaliddata', 'This is no badge of Open Badges 3.0.');
  const found = await verify(given, trusts);
  if (!found.signature) return failed(response, 422, 'invaliddata', 'The signature does not hold.');
  const fresh = store.put(who.person, text.trim(), given);
  response.writeHead(fresh ? 201 : 200, {
    'Content-Type': given.token ? 'text/plain' : 'application/json',
  });
  response.end(text.trim());
}

const discovery = {
  openapi: '3.0.1',
  info: {
    title: 'keepsake',
    version: '3.0',
    'x-imssf-privacyPolicyUrl': `${home}/`,
    termsOfService: `${home}/`,
  },
  servers: [{ url: `${home}${API}` }],
  paths: {},
  components: {
    securitySchemes: {
      OAuth2ACG: {
        type: 'oauth2',
        'x-imssf-registrationUrl': `${home}/register`,
        flows: {
          authorizationCode: {
            authorizationUrl: `${home}/authorize`,
            tokenUrl: `${home}/token`,
            refreshUrl: `${home}/token`,
            scopes: { [UPSERT]: 'Put badges here', [READ]: 'Read badges', offline_access: 'Later too' },
          },
        },
      },
    },
  },
};

// --- pages ----------------------------------------------------------------------------------------
async function mine(request, response, note = '') {
  const who = person(request);
  if (!who) return html(response, page('Your badges, kept by you', signIn('/in', 'Sign in to your wallet.')));
  const cards = await Promise.all(
    store.of(who).map(async (kept) => {
      const given = read(kept.text);
      return credentialCard({ ...kept, ...given, found: await verify(given, trusts) });
    }),
  );
  const none = cards.length ? '' : '<p>Nothing here yet. Put a badge here, or let your school send it.</p>';
  html(response, page('Your badges', note + none + cards.join('') + upload, who));
}

async function interaction(request, response) {
  const { prompt, params } = await provider.interactionDetails(request, response);
  const client = await provider.Client.find(params.client_id);
  const say = `<b>${safe(client?.clientName ?? 'An application')}</b> wants to put badges into your wallet. Sign in to allow it.`;
  if (request.method === 'GET')
    return html(response, page('Let badges in', signIn(request.url, say)));
  const sent = await fields(request);
  const who = known(sent.get('name'), sent.get('phrase'));
  if (!who)
    return html(
      response,
      page('Let badges in', `<p class="bad">This name has another passphrase.</p>${signIn(request.url, say)}`),
      422,
    );
  const grant = new provider.Grant({ accountId: who, clientId: params.client_id });
  grant.addOIDCScope(params.scope);
  const result = { login: { accountId: who }, consent: { grantId: await grant.save() } };
  void prompt;
  await provider.interactionFinished(request, response, result, { mergeWithLastSubmission: false });
}

const oauth = provider.callback();

async function answer(request, response) {
  const path = new URL(request.url, home).pathname;
  const posts = request.method === 'POST';
  if (path === `${API}/credentials` && (posts || request.method === 'GET'))
    return credentials(request, response);
  if (path === `${API}/discovery`) return json(response, 200, discovery);
  if (path.startsWith('/interaction/')) return interaction(request, response);
  if (path === '/' && !posts) return mine(request, response);
  // forms of other places do nothing here
  const own = !request.headers.origin || request.headers.origin === home;
  if (['/in', '/out', '/files', '/remove'].includes(path) && posts) {
    if (!own) return html(response, page('Not from here', '<p>This came from another place.</p>'), 403);
    return form(path, request, response);
  }
  return oauth(request, response);
}

async function form(path, request, response) {
  if (path === '/in') {
    const sent = await fields(request);
    const who = known(sent.get('name'), sent.get('phrase'));
    if (who) begin(response, who);
    else
      return html(
        response,
        page('Your badges, kept by you', `<p class="bad">This name has another passphrase.</p>${signIn('/in', 'Sign in to your wallet.')}`),
        422,
      );
    return back(response, '/');
  }
  const who = person(request);
  if (!who) return back(response, '/');
  if (path === '/out') {
    response.setHeader('Set-Cookie', 'keepsake=; Max-Age=0; Path=/');
    return back(response, '/');
  }
  if (path === '/remove') {
    store.remove(who, (await fields(request)).get('id'));
    return back(response, '/');
  }
  const given = read(within(await sentFile(request)));
  if (!given) return mine(request, response, '<p class="bad">There is no badge of Open Badges 3.0 in this file.</p>');
  const text = given.token ?? JSON.stringify(given.credential);
  store.put(who, text, given);
  return back(response, '/');
}

createServer((request, response) => {
  answer(request, response).catch((error) => {
    if (error instanceof TooLarge) return failed(response, 413, 'invaliddata', 'This is larger than any badge.');
    console.error(error);
    if (!response.headersSent) html(response, page('Not found', '<p>This page has ended. Begin again.</p>'), 400);
  });
}).listen(port, '127.0.0.1', () => console.log(`keepsake: ${home}`));
