import { Header } from "./Header";
import { Trouble, Waiting } from "./Messages";

/** A page of which not everything is there: it is waited for, or something went wrong. */
export function UnderWay({ error }: { error: Error | null }) {
  return (
    <>
      <Header />
      {error ? <Trouble error={error} /> : <Waiting />}
    </>
  );
}
