declare namespace App {
  interface Locals {
    /** Whether the request belongs to a session; true where none is asked for, absent in development. */
    signedIn?: boolean;
  }
}
