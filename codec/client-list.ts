import { z } from "zod";

/** What the list of clients can be put in order by. */
export const CLIENT_ORDERS = ["name", "trend", "last", "next"] as const;
export type ClientOrder = (typeof CLIENT_ORDERS)[number];

/** So many clients stand on one page. */
export const CLIENTS_A_PAGE = 50;

/** What is asked of the list of clients, from an address; what cannot be read is as if it were not asked. */
export const clientListCodec = z.object({
  search: z.string().trim().max(100).catch("").default(""),
  order: z.enum(CLIENT_ORDERS).catch("name").default("name"),
  show: z.enum(["all", "overdue", "mine"]).catch("all").default("all"),
  page: z
    .string()
    .regex(/^[1-9]\d{0,3}$/)
    .transform(Number)
    .catch(1)
    .default(1),
});
export type ClientListAsked = z.output<typeof clientListCodec>;

/** How many newer entries of a list are left out, from an address; none where it cannot be read. */
export const skipCodec = z
  .string()
  .regex(/^\d{1,6}$/)
  .transform(Number)
  .catch(0);
