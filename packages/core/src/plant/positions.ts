/** What stands on the line: cock or device → position (0 shut … 1 open), or a word. */
export type Positions = Readonly<Record<string, number | string>>;
