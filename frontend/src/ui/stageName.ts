/** The stages that have a page. */
export type StageName = "receive" | "strip" | "inspect" | "set" | "record";
