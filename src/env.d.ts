/// <reference types="astro/client" />
declare namespace App {
  interface Locals {
    /** The session of this request, or null. */
    me: import('./server/auth/auth').SignedIn | null;
  }
}
