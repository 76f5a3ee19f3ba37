CREATE TRIGGER entries_keep_rows BEFORE DELETE ON entries BEGIN SELECT RAISE(ABORT, 'entries are only ever added'); END;
--> statement-breakpoint
CREATE TRIGGER entries_keep_words BEFORE UPDATE ON entries BEGIN SELECT RAISE(ABORT, 'entries are only ever added'); END;
--> statement-breakpoint
CREATE TRIGGER documents_keep_words BEFORE UPDATE ON documents BEGIN SELECT RAISE(ABORT, 'documents are kept word for word'); END;
--> statement-breakpoint
CREATE TRIGGER documents_keep_rows BEFORE DELETE ON documents BEGIN SELECT RAISE(ABORT, 'documents are kept word for word'); END;
