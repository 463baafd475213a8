import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from "node:crypto";

const MARK = "sealed:";
const CIPHER = "aes-256-gcm";
const IV_BYTES = 12;
const TAG_BYTES = 16;

/** Keeps the links in letters from whoever reads the database: only the server, with its secret, opens them. */
export class Seal {
  private readonly key: Buffer;

  constructor(secret: string) {
    this.key = Buffer.from(hkdfSync("sha256", secret, "", "letters", 32));
  }

  close(text: string): string {
    const iv = randomBytes(IV_BYTES);
    const cipher = createCipheriv(CIPHER, this.key, iv);
    const closed = Buffer.concat([cipher.update(text, "utf8"), cipher.final()]);
    return MARK + Buffer.concat([iv, cipher.getAuthTag(), closed]).toString("base64");
  }

  /** The text; null for what was closed with another secret. A letter of an older Mirrup lies open. */
  open(sealed: string): string | null {
    if (!sealed.startsWith(MARK)) return sealed;
    const bytes = Buffer.from(sealed.slice(MARK.length), "base64");
    const [iv, tag] = [bytes.subarray(0, IV_BYTES), bytes.subarray(IV_BYTES, IV_BYTES + TAG_BYTES)];
    try {
      const opener = createDecipheriv(CIPHER, this.key, iv).setAuthTag(tag);
      return opener.update(bytes.subarray(IV_BYTES + TAG_BYTES), undefined, "utf8") + opener.final("utf8");
    } catch {
      return null;
    }
  }
}
