import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { answer, api } from "../api/client";
import type { LogIn } from "../api/types";
import { Complaint, Trouble, Waiting } from "../frame/Messages";
import { LogIns } from "./LogIns";

/** One's own log-ins; those elsewhere can be ended. */
export function MyLogIns() {
  const entries = useQuery({
    queryKey: ["my log-ins"],
    queryFn: () => answer(api.GET("/api/me/log-ins")),
    staleTime: 0,
  });
  const [trouble, setTrouble] = useState("");
  const end = async (entry: LogIn) => {
    setTrouble("");
    try {
      await answer(
        api.DELETE("/api/me/log-ins/{log_in_id}", { params: { path: { log_in_id: entry.id } } }),
      );
    } catch (error) {
      setTrouble((error as Error).message);
    }
    await entries.refetch();
  };
  if (entries.error) return <Trouble error={entries.error} />;
  if (!entries.data) return <Waiting />;
  return (
    <>
      <LogIns entries={entries.data} onEnd={(entry) => void end(entry)} />
      <Complaint words={trouble} />
    </>
  );
}
