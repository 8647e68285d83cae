import { useEffect, useState } from "react";

/**
 * The secret of the link that this page was opened by. It stands behind the # of the address, which browsers send to
 * nobody, and goes to the server in the body of a form alone. It stays known when the form was refused, whose answer has
 * an address without it. Empty until the page is alive.
 */
export function useLinkToken(): string {
  const [token, setToken] = useState("");
  useEffect(() => {
    const read = () => {
      const said = window.location.hash.slice(1);
      if (said !== "") setToken(said);
    };
    read();
    window.addEventListener("hashchange", read);
    return () => window.removeEventListener("hashchange", read);
  }, []);
  return token;
}
