-- Whose the studio is, who is shut out, and from where somebody has signed in before.
alter table account add column owner boolean not null default false;
alter table account add column disabled_at timestamptz;
update account set owner = true where id in (select min(id) from account group by studio_id);

create table login_known (
  account_id bigint not null references account,
  address text not null,
  at timestamptz not null,
  primary key (account_id, address)
);
