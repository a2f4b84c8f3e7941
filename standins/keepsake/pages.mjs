// The pages of the wallet, as HTML.
const STYLE = `body{font:16px/1.5 system-ui,sans-serif;background:#f6f3ee;color:#221d18;margin:0}
header{background:#3b2f4a;color:#fff;padding:.75rem 1.25rem;display:flex;gap:1rem;align-items:center}
header b{flex:1;font-size:1.1rem}main{max-width:44rem;margin:0 auto;padding:1.25rem}
article,form.box{background:#fff;border:1px solid #ddd5ca;border-radius:6px;padding:1rem;margin:0 0 1rem;display:flex;gap:1rem}
form.box{display:grid;gap:.6rem}article img{width:72px;height:72px}article div{flex:1}h2{margin:0;font-size:1.05rem}p{margin:.2rem 0}
.good{color:#1f6b3a}.bad{color:#9a1f2e}.soft{color:#6b6258}button{font:inherit;padding:.35rem .9rem;border-radius:4px;border:1px solid #3b2f4a;background:#3b2f4a;color:#fff;cursor:pointer}
button.plain{background:#fff;color:#3b2f4a}input{font:inherit;padding:.35rem;border:1px solid #8c8277;border-radius:4px}label{display:grid}`;

export const safe = (text) =>
  `${text ?? ''}`.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);

export const page = (title, body, person) =>
  `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>${safe(title)}</title><style>${STYLE}</style><header><b>keepsake</b>${
    person
      ? `<span>${safe(person)}</span><form method="post" action="/out"><button class="plain">Sign out</button></form>`
      : ''
  }</header><main><h1>${safe(title)}</h1>${body}</main></html>`;

export const signIn = (action, say, more = '') =>
  `<form class="box" method="post" action="${safe(action)}"><p>${say}</p>
<label>Name <input name="name" required maxlength="80" autocomplete="username" autofocus></label>
<label>Passphrase <input name="phrase" type="password" required minlength="4" maxlength="200" autocomplete="current-password"></label>
<p class="soft">A new name makes a new wallet.</p>${more}<div><button>Go on</button></div></form>`;

function verdict(found) {
  if (!found.signature) return '<p class="bad">Not proved: it was changed, or signed by somebody else.</p>';
  const parts = ['<span class="good">Signed as it stands.</span>'];
  if (found.revoked === true) parts.push('<span class="bad">Revoked.</span>');
  if (found.revoked === null) parts.push('<span class="soft">Whether it was revoked cannot be told.</span>');
  if (found.ended) parts.push('<span class="bad">Its time has ended.</span>');
  return `<p>${parts.join(' ')}</p>`;
}

export function credentialCard({ id, credential, found, at }) {
  const achievement = credential.credentialSubject?.achievement ?? {};
  const image = `${achievement.image?.id ?? ''}`;
  return `<article>${
    image.startsWith('data:image/png;base64,') ? `<img alt="" src="${safe(image)}">` : ''
  }<div><h2>${safe(achievement.name ?? credential.name)}</h2>
<p class="soft">${safe(credential.issuer?.name)} · ${safe(credential.validFrom?.slice(0, 10))} · put here ${safe(at.slice(0, 10))}</p>
<p>${safe(achievement.description)}</p>${verdict(found)}
<form method="post" action="/remove"><input type="hidden" name="id" value="${safe(id)}"><button class="plain">Remove</button></form></div></article>`;
}

export const upload = `<form class="box" method="post" action="/files" enctype="multipart/form-data">
<label>Put a badge here <input type="file" name="file" required accept=".json,.jwt,.png,.svg,.txt"></label><div><button>Put it here</button></div></form>`;
