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

# All ways in which a total falls on some groups, each group with at most so many.
ways <- function(total, most) {
  all <- as.matrix(expand.grid(lapply(most, function(m) 0:min(m, total))))
  all[rowSums(all) == total, , drop = FALSE]
}
score <- function(counts) sum(seq_along(counts) * counts)

# Successes and chances by test; p towards more successes later, by the multivariate hypergeometric.
shares <- c()
for (one in list(list(c(0, 1, 3), c(3, 3, 3)), list(c(3, 5, 6, 8), c(10, 10, 10, 10)), list(c(1, 1, 4, 3, 6), c(5, 4, 9, 7, 8)), list(c(4, 4, 4), c(9, 9, 9)))) {
  all <- ways(sum(one[[1]]), one[[2]])
  weight <- apply(all, 1, function(w) prod(choose(one[[2]], w))) / choose(sum(one[[2]]), sum(one[[1]]))
  shares <- c(shares, row(length(one[[1]]), one[[1]], one[[2]], sum(weight[apply(all, 1, score) >= score(one[[1]])])))
}

# Mistakes and minutes by test; p towards fewer mistakes later, by the multinomial with shares of the minutes.
trends <- c()
for (one in list(list(c(2, 1, 0), c(1, 1, 1)), list(c(6, 3, 1), c(7, 7, 7)), list(c(5, 6, 2, 1), c(5, 7, 4, 6.5)), list(c(3, 3, 4), c(5, 5, 5)))) {
  all <- ways(sum(one[[1]]), rep(sum(one[[1]]), length(one[[1]])))
  weight <- apply(all, 1, function(w) dmultinom(w, prob = one[[2]]))
  trends <- c(trends, row(length(one[[1]]), one[[1]], one[[2]], sum(weight[apply(all, 1, score) <= score(one[[1]])])))
}

cat("{\n", paste0('  "from": "', R.version.string, '"'), ",\n", paste(rows("poisson", poisson), rows("binomial", binomial), rows("rates", rates), rows("tables", tables), rows("shares", shares), rows("trends", trends), sep = ",\n"), "\n}\n", sep = "")
