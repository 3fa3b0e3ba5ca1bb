-- Once, on the node that leads, as mansuet_admin; then: create database ${DATABASE} owner mansuet_owner;
create role mansuet_owner login password '${OWNER_PASSWORD}' nosuperuser nocreatedb nocreaterole;
create role mansuet_app login password '${APP_PASSWORD}' nosuperuser nocreatedb nocreaterole;
-- The pool forwards no limits of its clients, so that they stand here. None of them ends the wait of a COMMIT for the second machine.
alter role mansuet_app set statement_timeout = '15s';
alter role mansuet_app set lock_timeout = '5s';
alter role mansuet_app set idle_in_transaction_session_timeout = '20s';
