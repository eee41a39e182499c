import type { Schemas } from "./client";
import { send } from "./data";
import { Problem } from "./problem";

/** What of the browser's own is needed: read and written as JSON, which older ones can't. */
const able = () =>
  typeof PublicKeyCredential === "function" &&
  typeof PublicKeyCredential.parseCreationOptionsFromJSON === "function" &&
  window.isSecureContext;

/** True where this browser, at this address, can show a passkey: an address that is a bare number has none. */
export const canShow = () => able() && !/^[\d.]+$|^\[/.test(location.hostname);

const once = () => crypto.randomUUID();

/** What the browser made or found, as JSON; it may be told no, wait too long, or know none. */
const given = async (asked: Promise<Credential | null>) => {
  const credential = await asked.catch(() => null);
  if (!(credential instanceof PublicKeyCredential))
    throw new Problem(
      {
        title: "No passkey was shown.",
        detail:
          "The browser has none for this address, was told no, or waited too long. Try again, or come in another way.",
      },
      422,
    );
  return JSON.stringify(credential.toJSON());
};

/** Makes one on this phone, computer or key, and keeps it. */
export async function addPasskey(password: string, name: string) {
  const asked = await send<Schemas["PasskeyAsked"]>(
    "post",
    "/api/people/passkeys/begin",
    { body: { password } },
    once(),
  );
  const options = PublicKeyCredential.parseCreationOptionsFromJSON(JSON.parse(asked.options) as never);
  const credential = await given(navigator.credentials.create({ publicKey: options }));
  return send("post", "/api/people/passkeys", { body: { credential, name } }, once());
}

/** Shows one, and comes in. */
export async function enterByPasskey() {
  const asked = await send<Schemas["PasskeyAsked"]>("post", "/api/people/passkeys/ask", {}, once());
  const options = PublicKeyCredential.parseRequestOptionsFromJSON(JSON.parse(asked.options) as never);
  const credential = await given(navigator.credentials.get({ publicKey: options }));
  return send("post", "/api/people/passkeys/enter", { body: { credential } }, once());
}
