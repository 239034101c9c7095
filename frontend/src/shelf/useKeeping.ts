import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";

import type { PartSummary } from "../api/types";
import { watchJob } from "./watchJob";

/** Keeping what was built: it is sent, examined, and opened on the shelf; or it is said why not, and nothing is lost. */
export function useKeeping(send: () => Promise<PartSummary>) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [keeping, setKeeping] = useState(false);
  const [trouble, setTrouble] = useState("");
  const keep = async () => {
    setKeeping(true);
    setTrouble("");
    try {
      const made = await send();
      if (made.job) await watchJob(made.job, () => undefined);
      await queries.invalidateQueries({ queryKey: ["part"] });
      await queries.invalidateQueries({ queryKey: ["parts"] });
      void navigate(`/shelf/${made.id}`);
    } catch (error) {
      setTrouble((error as Error).message);
      setKeeping(false);
    }
  };
  return { keep: () => void keep(), keeping, trouble };
}
