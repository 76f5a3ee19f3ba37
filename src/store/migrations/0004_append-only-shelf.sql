CREATE TRIGGER shelf_keep_rows BEFORE DELETE ON shelf BEGIN SELECT RAISE(ABORT, 'revisions are only ever added'); END;
--> statement-breakpoint
CREATE TRIGGER shelf_keep_words BEFORE UPDATE ON shelf BEGIN SELECT RAISE(ABORT, 'revisions are only ever added'); END;
--> statement-breakpoint
CREATE TRIGGER tool_events_keep_rows BEFORE DELETE ON tool_events BEGIN SELECT RAISE(ABORT, 'what was done to a tool is only ever added'); END;
--> statement-breakpoint
CREATE TRIGGER tool_events_keep_words BEFORE UPDATE ON tool_events BEGIN SELECT RAISE(ABORT, 'what was done to a tool is only ever added'); END;
