// What the wallet keeps: one JSON file, written anew after each change.
import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs';

export class Store {
  constructor(file) {
    this.file = file;
    const kept = file && existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : {};
    this.people = kept.people ?? {};
    this.grants = kept.grants ?? {};
  }

  save() {
    if (!this.file) return;
    writeFileSync(`${this.file}.new`, JSON.stringify({ people: this.people, grants: this.grants }));
    renameSync(`${this.file}.new`, this.file);
  }

  of(person) {
    return Object.values(this.people[person]?.credentials ?? {});
  }

  /** Puts a credential in the place of what has the same name; says whether it is new. */
  put(person, text, read) {
    const who = (this.people[person] ??= { credentials: {} });
    const id = `${read.credential.id ?? read.credential.jti}`;
    const fresh = !(id in who.credentials);
    who.credentials[id] = { id, text, at: new Date().toISOString() };
    this.save();
    return fresh;
  }

  remove(person, id) {
    const all = this.people[person]?.credentials;
    if (all) delete all[id];
    this.save();
  }
}

/** Where the authorization server keeps what it gave out, beside the credentials. */
export const adapter = (store) =>
  class Kept {
    constructor(name) {
      this.name = name;
    }
    key(id) {
      return `${this.name}:${id}`;
    }
    async upsert(id, payload, expiresIn) {
      store.grants[this.key(id)] = {
        payload,
        until: expiresIn ? Date.now() + expiresIn * 1000 : null,
      };
      store.save();
    }
    async find(id) {
      const kept = store.grants[this.key(id)];
      if (!kept || (kept.until && kept.until < Date.now())) return undefined;
      return kept.payload;
    }
    async findBy(field, value) {
      const found = Object.entries(store.grants).find(
        ([key, { payload }]) => key.startsWith(`${this.name}:`) && payload[field] === value,
      );
      return found?.[1].payload;
    }
    async findByUid(uid) {
      return this.findBy('uid', uid);
    }
    async findByUserCode(code) {
      return this.findBy('userCode', code);
    }
    async destroy(id) {
      delete store.grants[this.key(id)];
      store.save();
    }
    async revokeByGrantId(grant) {
      for (const [key, { payload }] of Object.entries(store.grants))
        if (payload.grantId === grant) delete store.grants[key];
      store.save();
    }
    async consume(id) {
      const kept = store.grants[this.key(id)];
      if (kept) kept.payload.consumed = Math.floor(Date.now() / 1000);
      store.save();
    }
  };
