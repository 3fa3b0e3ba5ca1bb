-- Once, on the node that leads, as mansuet_admin; then: create database ${DATABASE} owner mansuet_owner;
create role mansuet_owner login password '${OWNER_PASSWORD}' nosuperuser nocreatedb nocreaterole;
create role mansuet_app login password '${APP_PASSWORD}' nosuperuser nocreatedb nocreaterole;
-- The pool forwards no limits of its clients, so that they stand here. No statement_timeout: it would end the wait for the second machine in the
-- middle of a COMMIT, and PostgreSQL acknowledges such a COMMIT although it is on one machine only. The server gives up on a question by itself.
alter role mansuet_app set lock_timeout = '5s';
alter role mansuet_app set idle_in_transaction_session_timeout = '20s';
