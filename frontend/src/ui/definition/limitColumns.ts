import type { Column } from "./columns";

/** One row of a setting's limits as it is asked for. */
export const LIMIT: Column[] = [
  { key: "least", label: "Least (mm, or as spoken)", kind: "text" },
  { key: "greatest", label: "Greatest (mm, or as spoken)", kind: "text" },
  { key: "source", label: "Source", kind: "text" },
  { key: "edition", label: "Revision", kind: "text" },
  {
    key: "basis",
    label: "For",
    kind: "choice",
    fallback: "new parts",
    options: [
      ["new parts", "new parts"],
      ["worn matched parts", "worn matched parts"],
    ],
  },
  { key: "serial_from", label: "From serial", kind: "text" },
  { key: "serial_to", label: "To serial", kind: "text" },
  { key: "text", label: "What the table says", kind: "text" },
  {
    key: "meant",
    label: "It means",
    kind: "choice",
    options: [
      ["play", "play"],
      ["preload", "preload"],
    ],
    may_lack: true,
  },
];
