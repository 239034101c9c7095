import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { answer, api } from "../api/client";
import { t } from "../frame/language";
import { Complaint } from "../frame/Messages";
import { tell } from "../frame/tell";
import { NameForm } from "./NameForm";

/** A student comes into a class by the code on the board. */
export function JoinForm() {
  const queries = useQueryClient();
  const [trouble, setTrouble] = useState("");
  const join = async (code: string) => {
    setTrouble("");
    try {
      const { name } = await answer(api.POST("/api/join", { body: { code } }));
      tell(t("You are in the class {{name}}.", { name }));
      await queries.invalidateQueries({ queryKey: ["exercises"] });
      return true;
    } catch (error) {
      setTrouble((error as Error).message);
      return false;
    }
  };
  return (
    <>
      <NameForm label={t("Code of a class")} action={t("Come in")} onName={join} />
      <Complaint words={trouble} />
    </>
  );
}
