-- Ten thousand things in three places, moved two hundred thousand times; a third of them by lot, some first in first out.
set session_replication_role = replica;
insert into place (code, name) values ('STORE', 'Store room'), ('BENCH', 'Bench');
insert into goods (code, name, kind, price, tax_code_id, income_account_id, track, costing)
  select 'G' || g, 'Thing ' || g, 'stock', 10, 1, (select id from account where role = 'sales'),
         case when g % 3 = 0 then 'lot' else 'none' end, case when g % 10 = 0 then 'fifo' else 'average' end
    from generate_series(1, 10000) g;
insert into batch (goods_id, lot, expires, came_on)
  select g.id, case when g.track = 'lot' then 'L' || n end, case when g.track = 'lot' then date '2027-01-01' + n end, date '2016-01-01' + n
    from goods g cross join generate_series(1, 3) n where g.track = 'lot' or g.costing = 'fifo';
insert into stock_move (goods_id, place_id, on_day, quantity, value, batch_id, paper_kind, paper_id)
  select g.id, 1 + m % 3, date '2016-01-01' + (m * 180 + g.id % 180), case when m % 2 = 0 then 5 else -3 end,
         case when m % 2 = 0 then 2500 else -1500 end,
         (select b.id from batch b where b.goods_id = g.id order by b.id offset (m / 6) % 3 limit 1), 'stock-count', 0
    from goods g cross join generate_series(0, 19) m
   order by 3;
insert into shelf (goods_id, place_id, batch_id, quantity)
  select goods_id, place_id, batch_id, greatest(sum(quantity), 0) from stock_move group by 1, 2, 3;
insert into pool (goods_id, place_id, batch_id, quantity, value)
  select m.goods_id, case g.costing when 'fifo' then m.place_id end, case when g.costing <> 'average' then m.batch_id end,
         greatest(sum(m.quantity), 0), case when sum(m.quantity) > 0 then greatest(sum(m.value), 0) else 0 end
    from stock_move m join goods g on g.id = m.goods_id group by 1, 2, 3;
insert into on_hand (goods_id, quantity, value) select goods_id, sum(quantity), sum(value) from pool group by 1;
insert into sale (number, customer_id, title, started_on, arrangement, prices_include_tax, agreed_on, stage, total, billed)
  select 900000 + g, 2 + g, 'Order ' || g, '2026-11-01', '{"kind":"terms","net":30}', false, '2026-11-01', 'agreed', 10825, 0
    from generate_series(1, 100) g;
insert into sale_line (sale_id, position, kind, goods_id, description, quantity, unit_price, tax_code_id, income_account_id, agreed)
  select s.id, n, 'stock', 1 + (s.number * 7 + n * 13) % 10000, 'Thing', 2, 10, 1, (select id from account where role = 'sales'), 2
    from sale s cross join generate_series(0, 2) n where s.number > 900000;
set session_replication_role = default;
analyze
