declare namespace App {
  /** What the server around the framework found out about a request; absent in development. */
  interface Locals {
    /** Whether the request belongs to a session; true where none is asked for. */
    signedIn?: boolean;
    /** What limits go by. */
    address?: string;
    /** Whether the browser speaks HTTPS. */
    isSecure?: boolean;
  }
}
