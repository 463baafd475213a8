import { describe, expect, it } from "@jest/globals";
import { isNearby } from "./address.js";

describe("a host of the own network", () => {
  it.each([
    ...["localhost", "hall", "hall.local", "club.lan", "mirrup.localhost", "pi.home.arpa"],
    ...["127.0.0.1", "10.0.0.7", "192.168.1.20", "172.16.0.1", "172.31.255.1", "169.254.9.9"],
    ...["[::1]", "[fd12:3456::1]", "[fe80::1]"],
  ])("is %s", (host) => {
    expect(isNearby(host)).toBe(true);
  });

  it.each([
    ...["evil.example", "localhost.evil.example", "hall.local.evil.example", "local.evil", ""],
    ...["8.8.8.8", "172.32.0.1", "192.169.0.1", "127.0.0.1.evil.example", "[2001:db8::1]"],
  ])("is not %s", (host) => {
    expect(isNearby(host)).toBe(false);
  });
});
