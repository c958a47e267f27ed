-- Chains of tracks stand among the documents; a program that knows nothing of them must not open the folder.
comment on table part is 'kinds of parts that no other row refers to, chains of tracks among them';
