# Figures that the tests of this room are held against, from R's own exact tests. Not needed to run anything:
#   Rscript core/statistics/testing/rFigures.R > core/statistics/testing/rFigures.json
number <- function(x) ifelse(is.infinite(x), '"Infinity"', formatC(x, digits = 12, format = "g"))
row <- function(...) paste0("[", paste(number(c(...)), collapse = ", "), "]")
rows <- function(name, all) paste0('  "', name, '": [\n    ', paste(all, collapse = ",\n    "), "\n  ]")

poisson <- c()
for (k in c(0, 1, 2, 3, 5, 8, 13, 40)) for (e in c(1, 2.5, 10))
  poisson <- c(poisson, row(k, e, poisson.test(k, e, conf.level = .9)$conf.int))

binomial <- c()
for (n in c(1, 3, 10, 25)) for (s in unique(round(n * c(0, .2, .5, .8, 1))))
  binomial <- c(binomial, row(s, n, binom.test(s, n, conf.level = .9)$conf.int))

# Count and exposure of the first, then of the second; the ratio is second to first.
rates <- c()
for (a in list(c(11, 10), c(4, 5), c(1, 3.5), c(0, 3), c(20, 12))) for (b in list(c(3, 10), c(8, 20), c(2, 3), c(9, 4))) {
  one <- function(side) poisson.test(c(b[1], a[1]), c(b[2], a[2]), alternative = side, conf.level = .9)
  rates <- c(rates, row(a, b, one("two.sided")$conf.int, one("less")$p.value, one("greater")$p.value))
}

# Yes and no of the one, then of the other.
tables <- c()
for (one in list(c(3, 1), c(2, 15), c(0, 5), c(5, 0), c(7, 9))) for (other in list(c(1, 3), c(10, 3), c(4, 4), c(2, 11))) {
  test <- function(side) fisher.test(rbind(one, other), alternative = side, conf.level = .9)
  tables <- c(tables, row(one, other, test("greater")$p.value, test("two.sided")$estimate, test("two.sided")$conf.int))
}

cat("{\n", paste0('  "from": "', R.version.string, '"'), ",\n", paste(rows("poisson", poisson), rows("binomial", binomial), rows("rates", rates), rows("tables", tables), sep = ",\n"), "\n}\n", sep = "")
