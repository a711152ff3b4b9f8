import * as contract from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

const moneyApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    getMoney: queryOf(build, contract.getMoney),
    setBilling: mutationOf(build, contract.setBilling),
    writeInvoice: mutationOf(build, contract.writeInvoice),
    cancelInvoice: mutationOf(build, contract.cancelInvoice),
    noteMoney: mutationOf(build, contract.noteMoney),
    listOwnInvoices: queryOf(build, contract.listOwnInvoices),
    startPayment: mutationOf(build, contract.startPayment),
    getStandIn: queryOf(build, contract.getStandIn),
    pressStandIn: mutationOf(build, contract.pressStandIn),
  }),
});

export const {
  useGetMoneyQuery,
  useSetBillingMutation,
  useWriteInvoiceMutation,
  useCancelInvoiceMutation,
  useNoteMoneyMutation,
  useListOwnInvoicesQuery,
  useStartPaymentMutation,
  useGetStandInQuery,
  usePressStandInMutation,
} = moneyApi;
