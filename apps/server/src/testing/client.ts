import { STUDIO_HEADER } from "@mirrup/contract";

export interface Answer {
  readonly status: number;
  readonly body: unknown;
  readonly headers: Headers;
}

export interface FileAnswer {
  readonly status: number;
  readonly bytes: Uint8Array<ArrayBuffer>;
}

/** Asks a server over HTTP as one browser would: with its cookie, and naming a studio. */
export class Client {
  private cookie = "";

  constructor(
    private readonly address: string,
    private readonly studioId: string | null,
  ) {}

  get(path: string): Promise<Answer> {
    return this.ask("GET", path);
  }

  post(path: string, body: unknown = {}): Promise<Answer> {
    return this.ask("POST", path, body);
  }

  async ask(
    method: string,
    path: string,
    body?: unknown,
    headers: Readonly<Record<string, string>> = {},
  ): Promise<Answer> {
    const response = await fetch(`${this.address}${path}`, {
      method,
      headers: {
        "content-type": "application/json",
        ...(this.cookie === "" ? {} : { cookie: this.cookie }),
        ...(this.studioId === null ? {} : { [STUDIO_HEADER]: this.studioId }),
        ...headers,
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    const [set] = response.headers.getSetCookie();
    if (set !== undefined) this.cookie = set.split(";")[0] ?? "";
    return { status: response.status, body: await response.json(), headers: response.headers };
  }

  /** Reads a file, or sends one. */
  async file(method: "GET" | "POST", path: string, sent?: Uint8Array<ArrayBuffer>): Promise<FileAnswer> {
    const response = await fetch(`${this.address}${path}`, {
      method,
      headers: {
        "content-type": "application/gzip",
        cookie: this.cookie,
        ...(this.studioId === null ? {} : { [STUDIO_HEADER]: this.studioId }),
      },
      ...(sent === undefined ? {} : { body: sent }),
    });
    return { status: response.status, bytes: new Uint8Array(await response.arrayBuffer()) };
  }

  /** The same browser, for another studio. */
  inStudio(studioId: string): Client {
    const client = new Client(this.address, studioId);
    client.cookie = this.cookie;
    return client;
  }

  withCookie(cookie: string): Client {
    const client = new Client(this.address, this.studioId);
    client.cookie = cookie;
    return client;
  }

  sessionCookie(): string {
    return this.cookie;
  }

  async signIn(email: string, password: string): Promise<Answer> {
    return this.post("/api/auth/sign-in", { email, password });
  }
}
