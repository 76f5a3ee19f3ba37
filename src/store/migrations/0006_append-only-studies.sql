CREATE TRIGGER studies_keep_rows BEFORE DELETE ON studies BEGIN SELECT RAISE(ABORT, 'studies are only ever added'); END;
--> statement-breakpoint
CREATE TRIGGER studies_keep_words BEFORE UPDATE ON studies BEGIN SELECT RAISE(ABORT, 'studies are only ever added'); END;
