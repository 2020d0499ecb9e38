/** The stages that have a page. */
export type StageName = "receive" | "strip" | "set" | "record";
