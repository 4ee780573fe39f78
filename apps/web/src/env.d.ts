/// <reference types="astro/client" />

declare namespace App {
  interface Locals {
    scope?: import('./server/scope.ts').Scope;
  }
}
